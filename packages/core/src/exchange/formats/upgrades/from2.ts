import type { Upgrade } from './types.ts';

type Json = Record<string, unknown>;
const isJson = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value);

/** A list as entries by id, numbered in its order. Ids given twice, or none, leave the list for the schema to refuse. */
function keyed(list: unknown, name = 'id', numbered = true): unknown {
  if (!Array.isArray(list)) return list;
  const entries = list.map((item: unknown, index): [string, unknown] => {
    if (!isJson(item)) return ['', item];
    const { [name]: id, ...rest } = item;
    return [typeof id === 'string' ? id : '', numbered ? { order: index + 1, ...rest } : rest];
  });
  const ids = new Set(entries.map(([id]) => id));
  return ids.has('') || ids.size < entries.length ? list : Object.fromEntries(entries);
}

const mapped = (value: unknown, change: (entry: Json) => unknown): unknown =>
  isJson(value)
    ? Object.fromEntries(Object.entries(value).map(([id, entry]) => [id, isJson(entry) ? change(entry) : entry]))
    : value;

/** A level called itself by the id under which it stood. */
function upLevel({ id: _id, without, ground, rules, ...level }: Json): unknown {
  return {
    ...level,
    ground: isJson(ground) ? { ...ground, pieces: keyed(ground['pieces']) } : ground,
    rules: keyed(rules),
    standingRulesOff: Array.isArray(without)
      ? Object.fromEntries(without.map((rule) => [String(rule), true]))
      : without,
  };
}

const pacer = (order: number, name: string, spread: number, abilities: Json): Json => ({
  order,
  name,
  abilities,
  spread,
});

/** The three that version 2 had outside of the document. */
const pacers = {
  novice: pacer(1, 'Novice', 0.3, {
    reactionMs: 340,
    aimErrorDegrees: 22,
    cautionUnits: 0.9,
    foresightSeconds: 0.45,
    lapsesPerMinute: 7,
    planning: 0,
  }),
  steady: pacer(2, 'Steady', 0.25, {
    reactionMs: 260,
    aimErrorDegrees: 14,
    cautionUnits: 1.1,
    foresightSeconds: 0.6,
    lapsesPerMinute: 4,
    planning: 0.4,
  }),
  sharp: pacer(3, 'Sharp', 0.2, {
    reactionMs: 170,
    aimErrorDegrees: 6,
    cautionUnits: 1.4,
    foresightSeconds: 0.9,
    lapsesPerMinute: 1,
    planning: 0.8,
  }),
};

/** Version 2 kept lists, and one way of moving for the player; its expectations might name a pacer that there is not. */
export const from2: Upgrade = {
  from: 2,
  up: (document) => {
    const { player, kinds, liveTiers, levels, expectations } = document;
    const { speed, acceleration, ...rest } = isJson(player) ? player : {};
    return {
      ...document,
      player: isJson(player) ? { moves: { roam: { speed, acceleration } }, ...rest } : player,
      score: keyed(document['score']),
      tallies: keyed(document['tallies']),
      standing: keyed(document['standing']),
      kinds: isJson(kinds)
        ? {
            ...kinds,
            collectables: keyed(kinds['collectables']),
            enemies: keyed(kinds['enemies']),
            hazards: keyed(kinds['hazards']),
          }
        : kinds,
      parameters: keyed(document['parameters'], 'key'),
      tiers: keyed(document['tiers'], 'id', false),
      ...(isJson(liveTiers)
        ? {
            liveTiers: Object.fromEntries(
              Object.entries(liveTiers).map(([axis, tiers]) => [axis, keyed(tiers, 'id', false)]),
            ),
          }
        : {}),
      levels: mapped(levels, upLevel),
      slots: keyed(document['slots']),
      expectations: keyed(
        Array.isArray(expectations)
          ? expectations.filter(
              (entry: unknown) =>
                !isJson(entry) || entry['is'] !== 'clearRate' || Object.hasOwn(pacers, String(entry['pacer'])),
            )
          : expectations,
      ),
      pacers,
    };
  },
};
