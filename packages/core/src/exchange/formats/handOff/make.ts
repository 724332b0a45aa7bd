import { briefOf, resolvingAt } from '../../../play/attempt/index.ts';
import { sectionsOf } from '../../../play/grid/index.ts';
import { groundKindOf } from '../../../play/movement/index.ts';
import {
  pointerOf,
  type Amount,
  type Effect,
  type Level,
  type Piece,
  type Project,
  type Reading,
  type Slot,
} from '../../../document/model/index.ts';
import { valuesAt } from '../../../document/ramps/index.ts';
import {
  eachCondition,
  readingName,
  resolveAmount,
  resolveRules,
  rulesOf,
  ticksToSeconds,
  type ResolvedEffect,
  type Resolving,
  type RuleInForce,
} from '../../../play/rules/index.ts';
import { playthroughNumbersAt } from '../../../play/playthrough/index.ts';
import { exportFights } from './bouts.ts';
import { followsOf, exportCondition } from './logic.ts';
import type { HandedEffect, HandedSlot } from './schema.ts';
import { effectId, endingId } from './texts.ts';

type Json = ReturnType<typeof JSON.parse>;

const isAmount = (value: object): value is Amount =>
  'from' in value && ['number', 'parameter', 'placed', 'share'].includes(String(value.from));

/** Copies a part of the document with every amount as its number here, and notes which of them may change. @param left entries that only the editor needs */
function withNumbers(
  value: unknown,
  path: readonly string[],
  resolving: Resolving,
  follows: HandedSlot['follows'],
  left: readonly string[] = [],
): Json {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value))
    return value.map((item, index) => withNumbers(item, [...path, String(index)], resolving, follows, left));
  if (isAmount(value)) {
    const following = followsOf(value, resolving);
    if (following) follows.push({ at: pointerOf(path), ...following });
    return resolveAmount(value, resolving.values, resolving.placed);
  }
  return Object.fromEntries(
    Object.entries(value).flatMap(([key, item]) =>
      item === undefined || item === null || left.includes(key)
        ? []
        : [[key, withNumbers(item, [...path, key], resolving, follows, left)]],
    ),
  );
}

/** Entries that only the editor needs. */
const ONLY_EDITED = ['id', 'look', 'note', 'order'];

function exportEffect(
  effect: Effect,
  resolved: ResolvedEffect,
  textId: string,
  { values, placed }: Resolving,
): HandedEffect {
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  switch (effect.effect) {
    case 'lose':
      return { effect: 'lose', text: effect.cause, textId };
    case 'message':
      return { effect: 'message', text: effect.text, textId, seconds: number(effect.seconds) };
    case 'loseLife':
      return {
        effect: 'loseLife',
        lives: 'lives' in resolved ? resolved.lives : 0,
        back: effect.back,
        resets: effect.resets,
        ...(effect.cause === undefined ? {} : { cause: effect.cause }),
      };
    case 'heal':
    case 'hurt':
      return { effect: effect.effect, by: 'by' in resolved ? resolved.by : 0 };
    case 'score':
      return { effect: 'score', add: number(effect.add) };
    case 'tally':
      return { effect: 'tally', tally: effect.tally, add: number(effect.add) };
    case 'parameter':
      return {
        effect: 'parameter',
        parameter: effect.parameter,
        change: effect.change,
        by: number(effect.by),
      };
    case 'cue':
      return { effect: 'cue', name: effect.name, ...(effect.at === undefined ? {} : { at: effect.at }) };
    case 'win':
    case 'back':
    case 'gate':
    case 'wave':
    case 'reveal':
      return effect;
    default:
      return effect satisfies never;
  }
}

function exportRules(inForce: readonly RuleInForce[], level: Level, resolving: Resolving): HandedSlot['rules'] {
  const resolved = resolveRules(
    inForce.map(({ rule }) => rule),
    resolving,
  );
  return inForce.map(({ rule, standing }, index) => {
    const { everyTicks, then } = resolved[index]!;
    return {
      id: rule.id,
      ...exportCondition(rule.when, resolving),
      fires: rule.fires,
      ...(everyTicks === undefined ? {} : { everySeconds: ticksToSeconds(everyTicks) }),
      then: rule.then.map((effect, at) =>
        exportEffect(effect, then[at]!, effectId(standing ? undefined : level.id, rule.id, at), resolving),
      ),
    };
  });
}

/** Names of all readings that the rules of a level look at. */
function readingsOf(project: Project, level: Level, inForce: readonly RuleInForce[]): string[] {
  const names = new Set<string>();
  const note = (reading: Reading): void => void names.add(readingName(reading));
  const conditions = [
    ...inForce.map(({ rule }) => rule.when),
    ...(level.clock.starts === 'condition' && level.clock.startsWhen ? [level.clock.startsWhen] : []),
    ...(level.stars.is === 'conditions' ? level.stars.conditions.filter((one) => one !== null) : []),
  ];
  for (const condition of conditions)
    eachCondition(condition, (one) => {
      if ('reading' in one) note(one.reading);
    });
  if (level.stars.is === 'ladder') names.add(ladderReading(level.stars.reading));
  for (const { reading } of project.score) note(reading);
  return [...names].toSorted();
}

/** A ladder reads what is counted by kind for all kinds together. */
const ladderReading = (reading: string): string =>
  reading === 'worth' || reading === 'collected' ? `${reading}.any` : reading;

const tierAt = ({ tiers }: Project, position: number): string =>
  tiers.findLast(({ from }) => from <= position)?.id ?? '';

function exportGround(
  level: Level,
  project: Project,
  resolving: Resolving,
  follows: HandedSlot['follows'],
): HandedSlot['ground'] {
  const { ground } = level;
  const pieces = (list: readonly Piece[], path: readonly string[]): Record<string, Json> =>
    Object.fromEntries(
      list.map((piece) => [piece.id, withNumbers(piece, [...path, piece.id], resolving, follows, ONLY_EDITED)]),
    );
  const sections = sectionsOf(ground).map((section): [string, Json] => [
    section.id,
    {
      name: section.name,
      tier: section.tier,
      weight: section.weight,
      rows: section.rows,
      pieces: pieces(section.pieces, ['ground', 'sections', section.id, 'pieces']),
    },
  ]);
  return {
    kind: ground.kind,
    rows: ground.rows,
    pieces: pieces(ground.pieces, ['ground', 'pieces']),
    ...('drawnBy' in ground
      ? {
          drawnBy: ground.drawnBy,
          bounds: (project.liveTiers?.[ground.drawnBy] ?? []).map(({ from }) => from),
          sections: Object.fromEntries(sections),
        }
      : {}),
  };
}

function exportStars({ stars }: Level, resolving: Resolving): HandedSlot['stars'] {
  if (stars.is === 'conditions')
    return { is: 'conditions', conditions: stars.conditions.map((one) => one && exportCondition(one, resolving)) };
  return {
    is: 'ladder',
    reading: ladderReading(stars.reading),
    direction: stars.direction,
    thresholds: stars.thresholds.map((each) => each && resolveAmount(each, resolving.values, resolving.placed)),
  };
}

function exportClock({ clock }: Level, resolving: Resolving): HandedSlot['clock'] {
  const seconds = <N extends string>(name: N, amount: Amount | null): Partial<Record<N, number>> =>
    (amount ? { [name]: resolveAmount(amount, resolving.values, resolving.placed) } : {}) as Partial<Record<N, number>>;
  const limitFollows = clock.limitSeconds && followsOf(clock.limitSeconds, resolving);
  return {
    ...seconds('limitSeconds', clock.limitSeconds),
    ...(limitFollows ? { limitFollows } : {}),
    starts: clock.starts,
    ...(clock.starts === 'condition' && clock.startsWhen
      ? { startsWhen: exportCondition(clock.startsWhen, resolving) }
      : {}),
    ...seconds('warnAtSeconds', clock.warnAtSeconds),
    ...seconds('parSeconds', clock.parSeconds),
    atExpiry: clock.atExpiry,
  };
}

function exportEnding({ id, ending }: Level, resolving: Resolving): HandedSlot['ending'] {
  const side = (name: 'won' | 'lost'): HandedSlot['ending']['won'] => {
    const { freezeSeconds, goesOn, message, holdSeconds, next } = ending[name];
    const number = (amount: Amount): number => resolveAmount(amount, resolving.values, resolving.placed);
    return {
      freezeSeconds: number(freezeSeconds),
      goesOn,
      text: message,
      textId: endingId(id, name),
      holdSeconds: number(holdSeconds),
      next,
    };
  };
  return { won: side('won'), lost: side('lost') };
}

function exportKinds({ kinds }: Project, resolving: Resolving, follows: HandedSlot['follows']): HandedSlot['kinds'] {
  const of = (list: keyof Project['kinds']): Record<string, Json> =>
    Object.fromEntries(
      kinds[list].map((kind) => [
        kind.id,
        withNumbers(kind, ['kinds', list, kind.id], resolving, follows, ONLY_EDITED),
      ]),
    );
  return { collectables: of('collectables'), enemies: of('enemies'), hazards: of('hazards') };
}

/** Ramps along a reading, by parameter. */
function exportLive(resolving: Resolving): HandedSlot['live'] {
  const keys = [...resolving.dials.keys()];
  return Object.fromEntries(
    resolving.liveRamps.map(({ dial, axis, level, levels, bands, values, source }) => [
      keys[dial] as string,
      {
        along: axis,
        level,
        levels,
        bands: bands.map(({ id, from }) => ({ id, from })),
        values: { ...values },
        source: JSON.parse(JSON.stringify(source)) as Record<string, Json>,
      },
    ]),
  );
}

/** All that a slot is made of besides its level: as long as these are the same, so is what is handed over. */
function sourcesOf(project: Project, position: number): unknown[] {
  const { kinds, standing, run, score, player, tiers, tallies, liveTiers, slots, parameters, bouts } = project;
  const values = (at: number): unknown[] => Object.entries(valuesAt(project, at)).flat();
  return [
    ...[
      slots[(position - 1) % slots.length],
      position,
      slots.length,
      kinds,
      standing,
      run,
      score,
      player,
      tiers,
      tallies,
      liveTiers,
      bouts,
    ],
    // A ramp along a reading goes along as it is.
    parameters.some(({ ramp }) => ramp.axis !== undefined) ? parameters : null,
    // A run begins with the numbers of the first position.
    ...values(position),
    ...values(1),
  ];
}

/** Results by level, then by slot and round: an edit makes only the parts again that it concerns. */
const known = new WeakMap<Level, Map<string, { sources: unknown[]; slot: HandedSlot }>>();

/** One slot with every number resolved; the same object while nothing of it has changed. @param position from 1; past the last slot they come again, with the numbers that the ramps go on to @returns null where no level stands there */
export function exportSlot(project: Project, position: number): HandedSlot | null {
  const { slots } = project;
  const slot = slots[(position - 1) % Math.max(1, slots.length)];
  const level = slot && project.levels[slot.levelId];
  if (!level) return null;
  const sources = sourcesOf(project, position);
  const ofLevel = known.get(level) ?? new Map<string, { sources: unknown[]; slot: HandedSlot }>();
  const place = `${slot.id} ${Math.ceil(position / slots.length)}`;
  const before = ofLevel.get(place);
  if (before && before.sources.length === sources.length && before.sources.every((one, i) => one === sources[i]))
    return before.slot;
  const made = makeSlot(project, position, slot, level);
  known.set(level, ofLevel.set(place, { sources, slot: made }));
  return made;
}

function makeSlot(project: Project, position: number, slot: Slot, level: Level): HandedSlot {
  const resolving = resolvingAt(project, level, position);
  const number = (amount: Amount): number => resolveAmount(amount, resolving.values, resolving.placed);
  const inForce = rulesOf(project, level);
  const follows: HandedSlot['follows'] = [];
  const { moves: _moves, ...player } = project.player;
  const { starsAsked, livesAtMost, ...run } = playthroughNumbersAt(project, position);
  return {
    position,
    id: slot.id,
    level: level.id,
    name: level.name,
    brief: briefOf(project, level, () => resolving),
    tier: tierAt(project, position),
    starsAsked,
    values: { ...resolving.values },
    live: exportLive(resolving),
    changing: [...resolving.dials.keys()],
    player: withNumbers(
      { ...player, moves: groundKindOf(level.ground.kind).moves(project) },
      ['player'],
      resolving,
      follows,
    ) as HandedSlot['player'],
    kinds: exportKinds(project, resolving, follows),
    ground: exportGround(level, project, resolving, follows),
    follows,
    readings: readingsOf(project, level, inForce),
    ...exportFights(project, level, position, resolving.values),
    lives: Math.max(0, Math.round(number(project.run.livesAtStart))),
    score: project.score.map(({ reading, times }) => ({ reading: readingName(reading), times: number(times) })),
    clock: exportClock(level, resolving),
    rules: exportRules(inForce, level, resolving),
    tie: level.tie,
    stars: exportStars(level, resolving),
    ending: exportEnding(level, resolving),
    run: { ...run, ...(livesAtMost === null ? {} : { livesAtMost }) } as HandedSlot['run'],
  };
}
