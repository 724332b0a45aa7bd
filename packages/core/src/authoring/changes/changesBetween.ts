import { documentOf, levelEntryOf, pointerOf, type Level, type Project } from '../../document/model/index.ts';
import { alike } from '../../basics/patch/index.ts';
import { rampTable } from '../../document/ramps/index.ts';
import type { Change } from './change.ts';
import { parameterChanges } from './parameterChanges.ts';

export type { Change } from './change.ts';

/** The parts of a level, as one says them. */
const LEVEL_PARTS = {
  name: 'name',
  brief: 'brief',
  ground: 'ground',
  rules: 'rules',
  standingRulesOff: 'standing rules switched off',
  clock: 'clock',
  stars: 'stars',
  tie: 'tie',
  ending: 'ending',
  meetings: 'meetings',
  note: 'note',
} as const satisfies Partial<Record<keyof Level, string>>;

/** The parts of a project that are not listed one by one. */
const PROJECT_PARTS = {
  name: 'Name',
  words: 'Words',
  player: 'Player',
  lengths: 'Lengths',
  score: 'Score',
  tallies: 'Tallies',
  standing: 'Standing rules',
  run: 'Run',
  kinds: 'Kinds',
  bouts: 'Bouts',
  tiers: 'Tiers',
  liveTiers: 'Tiers of readings',
  expectations: 'Expectations',
  pacers: 'Pacers',
  audience: 'Audience',
  wantedLine: 'Wanted line',
} as const satisfies Partial<Record<keyof Project, string>>;

/** A list tells its order by itself: by which numbers it is kept does not count. */
function withoutNumbers(value: unknown): unknown {
  if (Array.isArray(value))
    return value.map((item: unknown) => {
      if (item === null || typeof item !== 'object') return item;
      const { order: _order, ...rest } = item as { order?: number };
      return withoutNumbers(rest);
    });
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([name, part]) => [name, withoutNumbers(part)]));
}

const isSame = (one: unknown, other: unknown): boolean =>
  alike(one, other) || alike(withoutNumbers(one), withoutNumbers(other));

const keysOf = <T extends object>(object: T): (keyof T & string)[] => Object.keys(object) as (keyof T & string)[];

function levelChanges(before: Project, after: Project): Change[] {
  return Object.values(after.levels).flatMap((level): Change[] => {
    const was = before.levels[level.id];
    const positions = after.slots.flatMap((slot, index) => (slot.levelId === level.id ? [index + 1] : []));
    const base = { id: `level ${level.id}`, about: 'level' as const, title: level.name, positions };
    if (!was) return [{ ...base, words: ['added since'] }];
    const parts = keysOf(LEVEL_PARTS).filter((part) => !isSame(was[part], level[part]));
    if (parts.length === 0) return [];
    const words = [`other ${parts.map((part) => LEVEL_PARTS[part]).join(', ')}`];
    return [
      { ...base, words, restore: [{ op: 'replace', path: pointerOf(['levels', level.id]), value: levelEntryOf(was) }] },
    ];
  });
}

function sequenceChanges(before: Project, after: Project): Change[] {
  if (isSame(before.slots, after.slots)) return [];
  const was = new Map(before.slots.map((slot, index) => [slot.id, { slot, index }]));
  const is = new Set(after.slots.map((slot) => slot.id));
  const nameOf = (project: Project, levelId: string): string => project.levels[levelId]?.name ?? levelId;
  const list = (names: string[]): string => `${names.slice(0, 4).join(', ')}${names.length > 4 ? ' …' : ''}`;
  const added = after.slots.filter((slot) => !was.has(slot.id)).map((slot) => nameOf(after, slot.levelId));
  const removed = before.slots.filter((slot) => !is.has(slot.id)).map((slot) => nameOf(before, slot.levelId));
  const common = after.slots.filter((slot) => was.has(slot.id));
  const order = before.slots.filter((slot) => is.has(slot.id));
  const moved = common.filter((slot, index) => order[index]?.id !== slot.id).length;
  const wanted = common.filter((slot) => !isSame([was.get(slot.id)?.slot], [slot])).length;
  const words = [
    added.length > 0 ? `added: ${list(added)}` : '',
    removed.length > 0 ? `removed: ${list(removed)}` : '',
    moved > 0 ? `${moved} in another place` : '',
    wanted > 0 ? `${wanted} with another level, wanted rate or star gate` : '',
  ].filter((part) => part !== '');
  return [{ id: 'sequence', about: 'sequence', title: 'Sequence', words, positions: [] }];
}

function partChanges(before: Project, after: Project): Change[] {
  const entries = documentOf(before);
  return keysOf(PROJECT_PARTS).flatMap((part): Change[] => {
    const [was, is] = [before[part], after[part]];
    if (isSame(was, is)) return [];
    const path = pointerOf([part]);
    const base = {
      id: part,
      about: 'project' as const,
      title: PROJECT_PARTS[part],
      words: ['not as before'],
      positions: [],
    };
    if (was === undefined) return [{ ...base, restore: [{ op: 'remove', path }] }];
    return [{ ...base, restore: [{ op: is === undefined ? 'add' : 'replace', path, value: entries[part] }] }];
  });
}

/**
 * How a later state of a project differs from an earlier one, in words: parameters first, then levels, the sequence and
 * what is left. An empty list means they are the same.
 */
export function changesBetween(before: Project, after: Project): Change[] {
  return [
    ...parameterChanges({ project: before, table: rampTable(before) }, { project: after, table: rampTable(after) }),
    ...levelChanges(before, after),
    ...sequenceChanges(before, after),
    ...partChanges(before, after),
  ];
}
