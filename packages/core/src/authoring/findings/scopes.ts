import { namesFor, placedOn, resolvingAt, type PreparedLevel } from '../../play/attempt/index.ts';
import { prepareWith } from '../../play/movement/index.ts';
import { allPiecesOf } from '../../play/grid/index.ts';
import { memoizeByObject } from '../../basics/memo/index.ts';
import {
  parametersIn,
  type Amount,
  type Level,
  type Parameter,
  type PieceName,
  type Project,
  type Slot,
} from '../../document/model/index.ts';
import { namesIn, rampTable, valuesIn, type Earlier, type RampTable, type Values } from '../../document/ramps/index.ts';
import {
  resolveAmount,
  rulesOf,
  type Names,
  type Placed,
  type Resolving,
  type RuleInForce,
} from '../../play/rules/index.ts';
import { boutSubjects, type BoutFacts } from './boutFacts.ts';
import { reachOf, type Reach } from './waysAt.ts';

/** The facts for checks of one slot: its level, with its numbers there. Computed when first needed. */
export interface SlotFacts {
  project: Project;
  slot: Slot;
  level: Level;
  /** From 1. */
  position: number;
  /** The rules that hold here, standing ones included. */
  readonly rules: readonly RuleInForce[];
  readonly names: Names;
  /** Meaning of the level's names and parameters here. */
  readonly resolving: Resolving;
  readonly prepared: PreparedLevel;
  /** Where the player may come to. */
  readonly reach: Reach;
  /** An amount's number here. */
  number(amount: Amount): number;
}

/** Two slots, one after the other. */
export interface NeighbourFacts {
  project: Project;
  table: RampTable;
  /** The later one. */
  slot: Slot;
  level: Level;
  /** Position of the later slot, from 1. */
  position: number;
  before: { slot: Slot; level: Level };
}

export interface LevelFacts {
  project: Project;
  level: Level;
}

export interface ParameterFacts {
  project: Project;
  parameter: Parameter;
  /** All parameters over the sequence. */
  table: RampTable;
}

export interface KindFacts {
  project: Project;
  of: keyof Project['kinds'];
  kind: Project['kinds'][keyof Project['kinds']][number];
}

export interface ProjectFacts {
  project: Project;
  /** All parameters over the sequence. */
  table: RampTable;
}

/**
 * The subjects of checks. A slot is a level at its position, with all its numbers. Judged, it is checked without
 * the moving things on its ground: by its rules, its clock, its stars, and the places within reach. Tried, it is
 * played, which takes the longest. A bout is a slot with its fights. A run is the project's order of play and its
 * kept state.
 */
export interface FactsByScope {
  slot: SlotFacts;
  judged: SlotFacts;
  tried: SlotFacts;
  bout: BoutFacts;
  neighbours: NeighbourFacts;
  level: LevelFacts;
  parameter: ParameterFacts;
  kind: KindFacts;
  run: ProjectFacts;
  project: ProjectFacts;
}

export type Scope = keyof FactsByScope;

/** One thing that checks of a scope look at. */
export interface Subject<S extends Scope> {
  /** Names it among those of its scope. */
  key: string;
  /** Sources of `reads`: where none of them has changed, `reads` need not be made. */
  of: readonly unknown[];
  /** All that a check of it may read, besides what is shared: where none has changed, what was found stands. */
  reads: () => readonly unknown[];
  /** Made when it is looked at. */
  facts: () => FactsByScope[S];
}

/** Everything that checks of a scope look at. */
export interface Subjects<S extends Scope> {
  /** Facts that checks of every subject may read. */
  shared: readonly unknown[];
  all: Iterable<Subject<S>>;
}

/** A document with its ramps worked out. */
export interface Checked {
  project: Project;
  table: RampTable;
}

/** @param before the document checked last, which this one mostly differs from in one place */
export function checkedOf(project: Project, before?: Checked): Checked {
  const earlier: Earlier | undefined = before && { project: before.project, table: before.table };
  const table = rampTable(project, project.slots.length, earlier);
  // No row has changed: the same table says so at once.
  const isSame =
    before?.table.rows.size === table.rows.size &&
    before.table.slotIds.join() === table.slotIds.join() &&
    [...table.rows].every(([key, row]) => before.table.rows.get(key) === row);
  return { project, table: before && isSame ? before.table : table };
}

/** The keys of the parameters that a part of the document follows. */
export const followedBy = memoizeByObject((part: object): readonly string[] => [...parametersIn(part)]);

/** The rules in force in a level, by the standing ones. */
const rulesBeside = memoizeByObject((standing: Project['standing']) =>
  memoizeByObject((level: Level): readonly RuleInForce[] => rulesOf({ standing }, level)),
);

/** Does any parameter that a level follows have another value at the position before it? */
export const numbersDiffer = ({
  project,
  table,
  level,
  position,
}: Pick<NeighbourFacts, 'project' | 'table' | 'level' | 'position'>): boolean =>
  [...parametersIn([level, project.kinds, project.standing, project.player, project.score])].some((key) => {
    const values = table.rows.get(key)?.values;
    return values !== undefined && values[position - 1] !== values[position - 2];
  });

/** A field on which nothing lies. */
const BARE: Level['ground'] = {
  kind: 'roam',
  rows: ['####', '#..#', '#..#', '####'],
  pieces: [{ id: 'start', piece: 'start', at: { x: 1.5, y: 1.5 } }],
};

/** Where a bout decides, nothing of the level's ground counts. */
const asPlayed = memoizeByObject((level: Level): Level => (level.bout ? { ...level, ground: BARE } : level));

/** Made when first asked for, then kept. */
export function slotFacts({ project, table }: Checked, slot: Slot, level: Level, position: number): SlotFacts {
  let values: Values | undefined;
  let placed: Placed | undefined;
  let names: Names | undefined;
  let resolving: Resolving | undefined;
  let prepared: PreparedLevel | undefined;
  let reach: Reach | undefined;
  const valuesHere = (): Values => (values ??= valuesIn(table, position));
  const placedHere = (): Placed => (placed ??= placedOn(project, level, valuesHere()));
  const facts: SlotFacts = {
    project,
    slot,
    level,
    position,
    get rules() {
      return rulesBeside(project.standing)(level);
    },
    get names() {
      return (names ??= namesFor(project, level));
    },
    get resolving() {
      return (resolving ??= resolvingAt(project, level, position, valuesHere()));
    },
    get prepared() {
      return (prepared ??= prepareWith(project, level, this.resolving));
    },
    get reach() {
      return (reach ??= reachOf({ project, level, prepared: this.prepared, rules: this.rules }));
    },
    number: (amount) => resolveAmount(amount, valuesHere(), placedHere()),
  };
  return facts;
}

/** Sorts of pieces that move, or hurt: no rule counts what they are worth. */
const MOVING: ReadonlySet<PieceName> = new Set(['enemy', 'spawner', 'emitter', 'lane', 'hazard']);

/** The keys of the parameters that a level follows besides those of what moves on its ground. */
const followedByJudged = memoizeByObject((level: Level): readonly string[] => {
  const pieces = level.ground.pieces.filter(({ piece }) => !MOVING.has(piece));
  return [...parametersIn({ ...level, ground: { ...level.ground, pieces } })];
});

/** Ids of the kinds of what lies or stands in a level, or is sent there. */
export const kindsPlaced = memoizeByObject(
  ({ ground }: Level): ReadonlySet<string> =>
    new Set(allPiecesOf(ground).flatMap((piece) => ('kind' in piece ? [piece.kind] : []))),
);

/** Names and movements of kinds, as text. */
const kindsAsSaid = memoizeByObject((kinds: Project['kinds']): string =>
  JSON.stringify([
    kinds.collectables.map(({ id, name }) => [id, name]),
    kinds.enemies.map(({ id, name, movement, fromAbove }) => [id, name, movement, fromAbove]),
    kinds.hazards.map(({ id, name }) => [id, name]),
  ]),
);

/** Labels of parameters, as text, with the ones that are formulas: these may act on others. */
const parametersAsSaid = memoizeByObject((parameters: Project['parameters']): string =>
  parameters.map(({ key, label, ramp }) => `${key} ${label} ${ramp.shape.type === 'formula'}`).join(),
);

/** The values of parameters at a position, as text. @param index from 0 */
function valuesText({ rows }: RampTable, index: number, lists: readonly (readonly string[])[]): string {
  let text = '';
  for (const keys of lists) for (const key of keys) text += `${rows.get(key)?.values[index]} `;
  return text;
}

/** A live ramp acts by all its numbers, not by the value it begins with. */
const liveParts = ({ parameters, liveTiers }: Project): readonly unknown[] =>
  parameters.some(({ ramp }) => ramp.axis !== undefined) ? [parameters, liveTiers] : [];

/** The kinds of what stands on the ground of a level, or is sent there, in the project's order. */
function dangersIn({ kinds }: Project, level: Level): object[] {
  const placed = kindsPlaced(level);
  return [...kinds.enemies, ...kinds.hazards].filter(({ id }) => placed.has(id));
}

/** Returns the facts of every level that do not depend on moving things. */
function sharedByLevels({ kinds, run, standing, player, score, tallies, words, lengths, parameters }: Project) {
  const parts = [kinds.collectables, run, standing, player, score];
  return {
    keys: parts.map(followedBy),
    reads: [...parts, tallies, words, lengths, kindsAsSaid(kinds), parametersAsSaid(parameters)],
  };
}

/** Every slot that has a level. */
function* slotsIn<S extends 'slot' | 'judged' | 'tried'>(
  checked: Checked,
  readsOf: (level: Level, slot: Slot, index: number) => readonly unknown[],
): Iterable<Subject<S>> {
  const { project, table } = checked;
  const { slots, levels, kinds } = project;
  for (const [index, slot] of slots.entries()) {
    const said = levels[slot.levelId];
    if (!said) continue;
    const level = asPlayed(said);
    yield {
      key: slot.id,
      of: [slot, level, index, table, kinds],
      reads: () => [slot, level, index, ...readsOf(level, slot, index)],
      facts: () => slotFacts(checked, slot, level, index + 1) as FactsByScope[S],
    };
  }
}

/** All that slots are by their numbers. */
function numberedSlots<S extends 'slot' | 'tried'>(checked: Checked): Subjects<S> {
  const { project, table } = checked;
  const { keys, reads } = sharedByLevels(project);
  return {
    shared: [...reads, project.pacers, ...liveParts(project)],
    all: slotsIn<S>(checked, (level, slot, index) => {
      const dangers = dangersIn(project, level);
      const followed = [...keys, ...dangers.map(followedBy), followedBy(level), followedBy(slot)];
      return [valuesText(table, index, followed), ...dangers];
    }),
  };
}

/** Adds the expectations of each slot to its subject. */
function* withExpected(subjects: Iterable<Subject<'slot'>>, { expectations }: Project): Iterable<Subject<'slot'>> {
  const order = expectations.map(({ id }) => id).join();
  const expected = new Map<string, string>();
  for (const entry of expectations)
    expected.set(entry.slotId, `${expected.get(entry.slotId) ?? ''}${JSON.stringify(entry)}`);
  for (const subject of subjects) {
    const mine = expected.get(subject.key);
    const of = [...subject.of, mine, order];
    yield { ...subject, of, reads: () => (mine === undefined ? subject.reads() : [...subject.reads(), mine, order]) };
  }
}

function slotSubjects(checked: Checked): Subjects<'slot'> {
  const { shared, all } = numberedSlots<'slot'>(checked);
  return { shared, all: withExpected(all, checked.project) };
}

/** Subjects of slots without the moving things on their grounds. */
function judgedSubjects(checked: Checked): Subjects<'judged'> {
  const { project, table } = checked;
  const { keys, reads } = sharedByLevels(project);
  return {
    shared: [...reads, followedBy(project.kinds).join(), ...liveParts(project)],
    all: slotsIn<'judged'>(checked, (level, slot, index) => [
      valuesText(table, index, [...keys, followedByJudged(level), followedBy(slot)]),
    ]),
  };
}

function parameterSubjects({ project, table }: Checked): Subjects<'parameter'> {
  const { parameters, slots, tiers, liveTiers, run } = project;
  const keys = parameters.map(({ key }) => key).join();
  return {
    shared: [slots, tiers, liveTiers, keys, run],
    all: parameters.map((parameter) => {
      const { shape } = parameter.ramp;
      // Where it may fall below zero it counts what follows it.
      const counted = parameter.sane.min < 0 ? project : null;
      return {
        key: parameter.key,
        of: [parameter, counted, table],
        reads: () => {
          const named = shape.type === 'formula' ? namesIn(shape.text) : [];
          // Past the end of the sequence the ramps themselves say more than their rows.
          const ramps = named.map((key) => parameters.find((other) => other.key === key));
          return [parameter, counted, ...ramps, ...[parameter.key, ...named].map((key) => table.rows.get(key))];
        },
        facts: () => ({ project, parameter, table }),
      };
    }),
  };
}

function neighbourSubjects({ project, table }: Checked): Subjects<'neighbours'> {
  const shared = [project.kinds, project.standing, project.player, project.score];
  const keys = shared.map(followedBy);
  return {
    shared,
    all: project.slots.flatMap((slot, index) => {
      const earlier = project.slots[index - 1];
      const level = project.levels[slot.levelId];
      const levelBefore = project.levels[earlier?.levelId ?? ''];
      if (!earlier || !level || !levelBefore) return [];
      const places = [slot, earlier, level, levelBefore, index];
      return [
        {
          key: slot.id,
          of: [...places, table],
          reads: () => [
            ...places,
            valuesText(table, index, [...keys, followedBy(level)]),
            valuesText(table, index - 1, [...keys, followedBy(levelBefore)]),
          ],
          facts: () => ({
            project,
            table,
            slot,
            level,
            position: index + 1,
            before: { slot: earlier, level: levelBefore },
          }),
        },
      ];
    }),
  };
}

/** A subject of which all that may be read is at hand. */
const plainly = <S extends Scope>(key: string, reads: readonly unknown[], facts: FactsByScope[S]): Subject<S> => ({
  key,
  of: reads,
  reads: () => reads,
  facts: () => facts,
});

function levelSubjects({ project }: Checked): Subjects<'level'> {
  const { kinds, standing, parameters, tallies, words, lengths } = project;
  const first = new Map(project.slots.toReversed().map(({ id, levelId }) => [levelId, id]));
  return {
    shared: [standing, tallies, words, lengths, kindsAsSaid(kinds), parametersAsSaid(parameters)],
    all: Object.values(project.levels).map((level) =>
      plainly(level.id, [level, first.get(level.id)], { project, level: asPlayed(level) }),
    ),
  };
}

function kindSubjects({ project }: Checked): Subjects<'kind'> {
  return {
    shared: [project.levels, project.standing, project.score],
    all: (['collectables', 'enemies', 'hazards'] as const).flatMap((of) =>
      project.kinds[of].map((kind) => plainly(`${of} ${kind.id}`, [kind], { project, of, kind })),
    ),
  };
}

/** A scope of which there is one thing to look at. */
const only = <S extends 'run' | 'project'>(
  key: S,
  { project, table }: Checked,
  shared: readonly unknown[],
): Subjects<S> => ({ shared, all: [plainly(key, [], { project, table } as FactsByScope[S])] });

/** Subjects of each scope in a document. */
export const SUBJECTS: { readonly [S in Scope]: (checked: Checked) => Subjects<S> } = {
  slot: slotSubjects,
  tried: (checked) => numberedSlots<'tried'>(checked),
  judged: judgedSubjects,
  bout: boutSubjects,
  neighbours: neighbourSubjects,
  level: levelSubjects,
  parameter: parameterSubjects,
  kind: kindSubjects,
  run: (checked) => {
    const { run, slots, levels, tallies, parameters, tiers } = checked.project;
    return only('run', checked, [run, slots, levels, tallies, parameters, tiers]);
  },
  project: (checked) => only('project', checked, [checked.project]),
};
