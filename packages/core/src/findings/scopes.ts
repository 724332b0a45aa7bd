import { namesFor, resolvingAt, type PreparedLevel } from '../attempt/index.ts';
import { prepareWith } from '../grounds/index.ts';
import {
  parametersIn,
  type Amount,
  type Level,
  type Parameter,
  type Project,
  type Slot,
  remembered,
} from '../model/index.ts';
import { namesIn, rampTable, valuesIn, type Earlier, type RampTable } from '../ramps/index.ts';
import { resolveAmount, rulesOf, type Names, type Resolving, type RuleInForce } from '../rules/index.ts';
import { reachOf, type Reach } from './reach.ts';

/** What a check of one slot knows: the level that stands there, by its numbers there. Worked out when first asked for. */
export interface SlotFacts {
  project: Project;
  slot: Slot;
  level: Level;
  /** From 1. */
  position: number;
  /** The rules that hold here, standing ones included. */
  readonly rules: readonly RuleInForce[];
  readonly names: Names;
  /** What the level's names and parameters stand for here. */
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
  /** Of the later one, from 1. */
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

/** What a check looks at. A run is the project's order of play and what is kept over it. */
export interface FactsByScope {
  slot: SlotFacts;
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
  /** All that a check of it may read: where none has changed, what was found stands. */
  reads: readonly unknown[];
  facts: FactsByScope[S];
}

/** A document with its ramps worked out. */
export interface Checked {
  project: Project;
  table: RampTable;
}

/** @param before the document checked last, which this one mostly differs from in one place */
export const checkedOf = (project: Project, before?: Checked): Checked => {
  const earlier: Earlier | undefined = before && { project: before.project, table: before.table };
  return { project, table: rampTable(project, project.slots.length, earlier) };
};

/** The keys of the parameters that a part of the document follows. */
export const followedBy = remembered((part: object): readonly string[] => [...parametersIn(part)]);

/** Made when first asked for, then kept. */
export function slotFacts({ project, table }: Checked, slot: Slot, level: Level, position: number): SlotFacts {
  let rules: RuleInForce[] | undefined;
  let names: Names | undefined;
  let resolving: Resolving | undefined;
  let prepared: PreparedLevel | undefined;
  let reach: Reach | undefined;
  const facts: SlotFacts = {
    project,
    slot,
    level,
    position,
    get rules() {
      return (rules ??= rulesOf(project, level));
    },
    get names() {
      return (names ??= namesFor(project, level));
    },
    get resolving() {
      return (resolving ??= resolvingAt(project, level, position, valuesIn(table, position)));
    },
    get prepared() {
      return (prepared ??= prepareWith(project, level, this.resolving));
    },
    get reach() {
      return (reach ??= reachOf(this.prepared, level, this.rules));
    },
    number: (amount) => resolveAmount(amount, facts.resolving.values, facts.resolving.placed),
  };
  return facts;
}

/** One after the other: what one slot's facts hold is let go before the next one's are made. */
function* slotSubjects(checked: Checked): Iterable<Subject<'slot'>> {
  const { project, table } = checked;
  const { kinds, run, standing, player, score, tallies, words, lengths, expectations, parameters, pacers } = project;
  const shared = [kinds, run, standing, player, score, tallies, words, lengths, pacers];
  const sharedKeys = new Set([kinds, run, standing, player, score].flatMap(followedBy));
  // A live ramp acts by all its numbers, not by the value it begins with.
  const live = parameters.some(({ ramp }) => ramp.axis !== undefined) ? [parameters, project.liveTiers] : [];
  const labels = parameters.map(({ key, label, ramp }) => `${key} ${label} ${ramp.shape.type === 'formula'}`).join();
  const expected = new Map<string, string>();
  for (const entry of expectations)
    expected.set(entry.slotId, `${expected.get(entry.slotId) ?? ''}${JSON.stringify(entry)}`);
  const order = expectations.map(({ id }) => id).join();
  for (const [index, slot] of project.slots.entries()) {
    const level = project.levels[slot.levelId];
    if (!level) continue;
    let values = '';
    for (const key of new Set([...sharedKeys, ...followedBy(level), ...followedBy(slot)]))
      values += `${table.rows.get(key)?.values[index]} `;
    const mine = expected.get(slot.id);
    yield {
      key: slot.id,
      reads: [slot, level, index, values, labels, mine, mine === undefined ? '' : order, ...shared, ...live],
      facts: slotFacts(checked, slot, level, index + 1),
    };
  }
}

function parameterSubjects({ project, table }: Checked): Subject<'parameter'>[] {
  const { parameters, slots, tiers, liveTiers } = project;
  const keys = parameters.map(({ key }) => key).join();
  return parameters.map((parameter) => {
    const { shape } = parameter.ramp;
    const named = shape.type === 'formula' ? namesIn(shape.text) : [];
    const rows = [parameter.key, ...named].map((key) => table.rows.get(key));
    return {
      key: parameter.key,
      // Where it may fall below zero it counts what follows it.
      reads: [parameter, slots, tiers, liveTiers, keys, parameter.sane.min < 0 ? project : null, ...rows],
      facts: { project, parameter, table },
    };
  });
}

/** The values at a position of all parameters that a part follows, as text. */
const valuesOf = ({ table }: Checked, parts: readonly object[], index: number): string =>
  [...new Set(parts.flatMap(followedBy))].map((key) => `${table.rows.get(key)?.values[index]}`).join(' ');

function neighbourSubjects(checked: Checked): Subject<'neighbours'>[] {
  const { project, table } = checked;
  return project.slots.flatMap((slot, index) => {
    const earlier = project.slots[index - 1];
    const level = project.levels[slot.levelId];
    const levelBefore = project.levels[earlier?.levelId ?? ''];
    if (!earlier || !level || !levelBefore) return [];
    const parts = [project.kinds, project.standing, project.player, project.score];
    return [
      {
        key: slot.id,
        reads: [
          ...[slot, earlier, level, levelBefore, index, ...parts],
          valuesOf(checked, [level, ...parts], index),
          valuesOf(checked, [levelBefore, ...parts], index - 1),
        ],
        facts: { project, table, slot, level, position: index + 1, before: { slot: earlier, level: levelBefore } },
      },
    ];
  });
}

/** What the checks of each scope look at in a document. */
export const SUBJECTS: { readonly [S in Scope]: (checked: Checked) => Iterable<Subject<S>> } = {
  slot: slotSubjects,
  neighbours: neighbourSubjects,
  level: ({ project }) =>
    Object.values(project.levels).map((level) => ({
      key: level.id,
      reads: [
        ...[level, project.kinds, project.standing, project.slots, project.parameters],
        ...[project.tallies, project.words, project.lengths],
      ],
      facts: { project, level },
    })),
  parameter: parameterSubjects,
  kind: ({ project }) =>
    (['collectables', 'enemies', 'hazards'] as const).flatMap((of) =>
      project.kinds[of].map((kind) => ({
        key: `${of} ${kind.id}`,
        reads: [kind, project.levels, project.standing, project.score],
        facts: { project, of, kind },
      })),
    ),
  run: ({ project, table }) => [
    {
      key: 'run',
      reads: [project.run, project.slots, project.levels, project.tallies, project.parameters, project.tiers],
      facts: { project, table },
    },
  ],
  project: ({ project, table }) => [{ key: 'project', reads: [project], facts: { project, table } }],
};
