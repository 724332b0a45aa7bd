import { MAX_CONDITION_DEPTH } from './limits.ts';
import type { Condition } from '../schema/condition.ts';
import { LOSABLE } from './losable.ts';
import type { Effect } from '../schema/effect.ts';
import type { Level } from '../schema/level.ts';
import { boutProblems, type Say } from './boutReferences.ts';
import { Limits } from './limits.ts';
import { KINDS_OF_PIECE } from './pieces.ts';
import type { Piece, PieceName } from '../schema/piece.ts';
import type { Project } from '../schema/project.ts';
import type { Reading } from '../schema/reading.ts';
import type { Rule } from '../schema/rule.ts';
import { RUN_TALLIES } from './playthroughTallies.ts';

/** Something the schema alone cannot see: a name that leads nowhere, or one given twice. */
export interface ReferenceProblem {
  path: (string | number)[];
  message: string;
}

/** Where a parameter is used, in words and as a path into the document. */
export interface ParameterUse {
  path: (string | number)[];
  /** The level it is in, when it is in one. */
  levelId?: string;
}

/** The parts of a project that hold amounts. */
const PARTS = ['player', 'score', 'standing', 'run', 'kinds', 'bouts', 'levels', 'slots'] as const;

/** @param entry names a parameter by its key, or a kind of collectable that it is an amount of */
type Visit = (path: (string | number)[], entry: { key?: string; of?: string }) => void;

/** Lists of things with ids that are no collections: their entries are reached by their places. */
const LISTED_BY_PLACE: readonly string[] = ['of', 'conditions'];

function nameIn(item: unknown, list: string | number | undefined): string | undefined {
  if (item === null || typeof item !== 'object' || LISTED_BY_PLACE.includes(String(list))) return undefined;
  const { id, key } = item as { id?: string; key?: string };
  return id ?? key;
}

/** Every amount of a part, and every effect, that names a parameter or a kind. */
function eachNamingAmount(value: unknown, path: (string | number)[], visit: Visit): void {
  if (Array.isArray(value)) {
    // An object with an id or a key is an entry of a collection, any other a place in a list.
    value.forEach((item: unknown, index) =>
      eachNamingAmount(item, [...path, nameIn(item, path.at(-1)) ?? index], visit),
    );
  } else if (value !== null && typeof value === 'object') {
    const entry = value as Record<string, unknown>;
    const { parameter, from, of } = entry;
    if ((from === 'parameter' || entry['effect'] === 'parameter') && typeof parameter === 'string')
      visit(path, { key: parameter });
    if ((from === 'share' || from === 'placed') && typeof of === 'string') visit(path, { of });
    if (from !== 'parameter')
      for (const [name, item] of Object.entries(entry)) eachNamingAmount(item, [...path, name], visit);
  }
}

/** Every amount in the document that takes the parameter. */
export function usesOfParameter(project: Project, key: string): ParameterUse[] {
  const uses: ParameterUse[] = [];
  const visit: Visit = (path, used) => {
    if (used.key !== key) return;
    uses.push(path[0] === 'levels' ? { path, levelId: String(path[1]) } : { path });
  };
  for (const part of PARTS) eachNamingAmount(project[part], [part], visit);
  for (const parameter of project.parameters) {
    const { shape } = parameter.ramp;
    if (shape.type === 'formula' && wordsOf(shape.text).has(key))
      uses.push({ path: ['parameters', parameter.key, 'ramp', 'shape', 'text'] });
  }
  for (const { id, formula } of project.bouts?.actions ?? [])
    if (wordsOf(formula).has(key)) uses.push({ path: ['bouts', 'actions', id, 'formula'] });
  return uses;
}

/** The keys of the parameters that a part of a document follows or changes. */
export function parametersIn(part: unknown): ReadonlySet<string> {
  const keys = new Set<string>();
  eachNamingAmount(part, [], (_path, { key }) => key !== undefined && keys.add(key));
  return keys;
}

/** The kinds of collectable that amounts of a part of a document are shares of, or all that is placed of. */
export function kindsInAmounts(part: unknown): ReadonlySet<string> {
  const kinds = new Set<string>();
  eachNamingAmount(part, [], (_path, { of }) => of !== undefined && kinds.add(of));
  return kinds;
}

/** The words of a formula: its names, and those of functions. */
const wordsOf = (text: string): ReadonlySet<string> => new Set(text.match(/[a-z]\w*/gi) ?? []);

type Path = (string | number)[];

const idsOf = (items: readonly { id: string }[]): string[] => items.map((item) => item.id);

/** Every name that a rule may use at one place of the document. */
interface Known {
  collectables: ReadonlySet<string>;
  enemies: ReadonlySet<string>;
  hazards: ReadonlySet<string>;
  tallies: ReadonlySet<string>;
  fighters: ReadonlySet<string>;
  /** Pieces of the level by id; undefined where no level is meant: standing rules and the score. */
  pieces: ReadonlyMap<string, Piece> | undefined;
}

function knownIn(project: Project, level: Level | undefined): Known {
  const { collectables, enemies, hazards } = project.kinds;
  return {
    collectables: new Set(idsOf(collectables)),
    enemies: new Set(idsOf(enemies)),
    hazards: new Set(idsOf(hazards)),
    tallies: new Set(idsOf(project.tallies)),
    fighters: new Set(idsOf(project.bouts?.fighters ?? [])),
    pieces: level && new Map(level.ground.pieces.map((piece) => [piece.id, piece])),
  };
}

const PIECE_WORDS: Partial<Record<PieceName, string>> = { goal: 'goal or zone', zone: 'goal or zone' };

const KIND_WORDS = { collectables: 'collectable', enemies: 'enemy', hazards: 'hazard' } as const;

/** Returns the problem of naming a piece here, or undefined. */
function pieceProblem(known: Known, id: string, ...sorts: PieceName[]): string | undefined {
  const word = PIECE_WORDS[sorts[0] as PieceName] ?? sorts[0];
  if (!known.pieces) return `What holds in every level cannot name the ${word} “${id}” of one.`;
  const piece = known.pieces.get(id);
  return piece && sorts.includes(piece.piece) ? undefined : `There is no ${word} “${id}” on this ground.`;
}

function readingProblem(reading: Reading, known: Known): [field: string, message: string] | undefined {
  const piece = (field: string, id: string, ...sorts: PieceName[]): [string, string] | undefined => {
    const problem = pieceProblem(known, id, ...sorts);
    return problem === undefined ? undefined : [field, problem];
  };
  switch (reading.reading) {
    case 'worth':
    case 'collected':
    case 'left':
      if (reading.of === 'any' || known.collectables.has(reading.of)) return undefined;
      return ['of', `There is no collectable “${reading.of}”.`];
    case 'enemiesLeft':
    case 'enemiesBeaten':
      if (reading.of === 'any' || known.enemies.has(reading.of)) return undefined;
      return ['of', `There is no enemy “${reading.of}”.`];
    case 'touching':
      if (known.enemies.has(reading.kind) || known.hazards.has(reading.kind)) return undefined;
      return ['kind', `There is no enemy and no hazard “${reading.kind}”.`];
    case 'tally':
      if (known.tallies.has(reading.tally)) return undefined;
      return ['tally', `There is no tally “${reading.tally}”.`];
    case 'inside':
      return piece('zone', reading.zone, 'goal', 'zone');
    case 'latch':
      return piece('latch', reading.latch, 'latch');
    case 'gate':
      return piece('gate', reading.gate, 'gate');
    case 'phase':
      return piece('piece', reading.piece, 'enemy');
    case 'healthShare':
      if (known.fighters.has(reading.fighter)) return undefined;
      return ['fighter', `There is no fighter “${reading.fighter}”.`];
    default:
      return undefined;
  }
}

function effectProblem(effect: Effect, known: Known): [field: string, message: string] | undefined {
  const piece = (field: string, id: string, ...sorts: PieceName[]): [string, string] | undefined => {
    const problem = pieceProblem(known, id, ...sorts);
    return problem === undefined ? undefined : [field, problem];
  };
  switch (effect.effect) {
    case 'gate':
      return piece('gate', effect.gate, 'gate');
    case 'wave':
      return piece('spawner', effect.spawner, 'spawner');
    case 'reveal':
      return piece('piece', effect.piece, 'collectable');
    case 'cue':
      return effect.at === undefined ? undefined : piece('at', effect.at, 'goal', 'zone');
    case 'tally':
      return known.tallies.has(effect.tally) ? undefined : ['tally', `There is no tally “${effect.tally}”.`];
    case 'loseLife': {
      const wrong = effect.resets.find(
        (name) => !(LOSABLE as readonly string[]).includes(name) && !known.tallies.has(name),
      );
      return wrong === undefined ? undefined : ['resets', `“${wrong}” is nothing that a life can lose.`];
    }
    default:
      return undefined;
  }
}

/** Checks the names in a tree of conditions, and that its ids are given once in the level. */
function conditionProblems(root: Condition, path: Path, known: Known, seen: Set<string>, say: Say): void {
  const visit = (condition: Condition, here: Path, depth: number): void => {
    if (seen.has(condition.id)) say([...here, 'id'], `The condition “${condition.id}” is given twice.`);
    seen.add(condition.id);
    if ('of' in condition) {
      if (depth >= MAX_CONDITION_DEPTH)
        return say(here, `Groups are at most ${MAX_CONDITION_DEPTH} deep: make a rule of its own.`);
      condition.of.forEach((item, index) => visit(item, [...here, 'of', index], depth + 1));
      return;
    }
    const problem = readingProblem(condition.reading, known);
    if (problem) say([...here, 'reading', problem[0]], problem[1]);
  };
  visit(root, path, 0);
}

function ruleProblems(rules: readonly Rule[], base: Path, known: Known, seen: Set<string>, say: Say): void {
  for (const rule of rules) {
    conditionProblems(rule.when, [...base, rule.id, 'when'], known, seen, say);
    rule.then.forEach((effect, at) => {
      const problem = effectProblem(effect, known);
      if (problem) say([...base, rule.id, 'then', at, problem[0]], problem[1]);
    });
  }
}

/** All names that lead nowhere, each with its place in the document. An empty list means that it is whole. */
export function findReferenceProblems(project: Project): ReferenceProblem[] {
  const problems: ReferenceProblem[] = [];
  const say: Say = (path, message) => void problems.push({ path, message });
  const { enemies, hazards } = project.kinds;
  // A rule names what touches by one id.
  const hazardIds = new Set(idsOf(hazards));
  for (const { id } of enemies)
    if (hazardIds.has(id))
      say(['kinds', 'enemies', id], `“${id}” is a hazard, too: enemies and hazards share their ids.`);
  const pacers = new Set(idsOf(project.pacers));
  const live = project.parameters.filter(({ ramp }) => ramp.axis !== undefined).length;
  if (live > Limits.liveRamps)
    say(['parameters'], `At most ${Limits.liveRamps} ramps along readings in a project; this has ${live}.`);
  const slots = new Set(idsOf(project.slots));
  for (const { id, levelId } of project.slots)
    if (!Object.hasOwn(project.levels, levelId)) say(['slots', id, 'levelId'], `There is no level “${levelId}”.`);
  for (const expectation of project.expectations) {
    const { id, slotId } = expectation;
    if (!slots.has(slotId)) say(['expectations', id, 'slotId'], `There is no slot “${slotId}”.`);
    if (expectation.is === 'clearRate' && !pacers.has(expectation.pacer))
      say(['expectations', id, 'pacer'], `There is no pacer “${expectation.pacer}”.`);
  }
  for (const pacer of Object.keys(project.audience ?? {}))
    if (!pacers.has(pacer)) say(['audience', pacer], `There is no pacer “${pacer}”.`);
  for (const { id } of project.tallies) {
    if ([...RUN_TALLIES, ...LOSABLE].includes(id as (typeof RUN_TALLIES)[number]))
      say(['tallies', id], `“${id}” is the name of something Stadion counts itself.`);
  }
  const counted = new Set<string>([...RUN_TALLIES, ...idsOf(project.tallies)]);
  for (const name of Object.keys(project.run.keep)) {
    if (!counted.has(name)) say(['run', 'keep', name], `There is no tally “${name}”.`);
  }
  for (const part of PARTS) if (part !== 'levels') amountProblems(project, project[part], [part], say);
  for (const { key, ramp } of project.parameters) {
    const { axis, shape } = ramp;
    if (shape.type !== 'tiers') continue;
    const tiers = new Set(idsOf(axis === undefined ? project.tiers : (project.liveTiers?.[axis] ?? [])));
    for (const id of Object.keys(shape.values))
      if (!tiers.has(id))
        say(['parameters', key, 'ramp', 'shape', 'values', id], `There is no tier “${id}” that this ramp goes by.`);
  }
  const everywhere = knownIn(project, undefined);
  for (const part of project.score) {
    const problem =
      part.reading.reading === 'score'
        ? (['reading', 'The score cannot be a part of itself.'] as const)
        : readingProblem(part.reading, everywhere);
    if (problem) say(['score', part.id, 'reading', problem[0]], problem[1]);
  }
  const standingConditions = new Set<string>();
  ruleProblems(project.standing, ['standing'], everywhere, standingConditions, say);
  boutProblems(project, say);
  problems.push(...Object.values(project.levels).flatMap((level) => levelProblems(project, level, slots)));
  return problems;
}

const conditionsIn = (condition: Condition): number =>
  1 + ('of' in condition ? condition.of.reduce((sum, part) => sum + conditionsIn(part), 0) : 0);

/** The names of parameters and kinds that amounts of a part take. */
function amountProblems(project: Project, part: unknown, base: Path, say: Say): void {
  const keys = new Set(project.parameters.map(({ key }) => key));
  const collectables = new Set(idsOf(project.kinds.collectables));
  eachNamingAmount(part, base, (path, { key, of }) => {
    if (key !== undefined && !keys.has(key)) say([...path, 'parameter'], `There is no parameter “${key}”.`);
    if (of !== undefined && of !== 'any' && !collectables.has(of))
      say([...path, 'of'], `There is no collectable “${of}”.`);
  });
}

/** The names of all fighters, as one text. */
const fightersOf = ({ bouts }: Project): string => idsOf(bouts?.fighters ?? []).join();

/** Problems of a level, kept while nothing that it names has changed. */
const knownLevels = new WeakMap<Level, { reads: readonly unknown[]; problems: ReferenceProblem[] }>();

function levelProblems(project: Project, level: Level, slots: ReadonlySet<string>): ReferenceProblem[] {
  const { kinds, tallies, standing, parameters } = project;
  // Only the slots that its endings lead to.
  const ends = [level.ending.won.next, level.ending.lost.next].map(
    (next) => next.to !== 'slot' || slots.has(next.slot),
  );
  const reads = [kinds, tallies, standing, parameters.map(({ key }) => key).join(), fightersOf(project), ...ends];
  const before = knownLevels.get(level);
  if (before?.reads.every((part, index) => part === reads[index])) return before.problems;
  const problems: ReferenceProblem[] = [];
  findLevelProblems(project, level, slots, (path, message) => void problems.push({ path, message }));
  knownLevels.set(level, { reads, problems });
  return problems;
}

function findLevelProblems(project: Project, level: Level, slots: ReadonlySet<string>, say: Say): void {
  amountProblems(project, level, ['levels', level.id], say);
  const known = knownIn(project, level);
  const standing = new Set(idsOf(project.standing));
  const base = ['levels', level.id];
  for (const section of 'sections' in level.ground ? level.ground.sections : [])
    for (const piece of section.pieces) {
      const list = KINDS_OF_PIECE[piece.piece];
      if (list && 'kind' in piece && !known[list].has(piece.kind))
        say(
          [...base, 'ground', 'sections', section.id, 'pieces', piece.id, 'kind'],
          `There is no ${KIND_WORDS[list]} “${piece.kind}”.`,
        );
    }
  for (const piece of level.ground.pieces) {
    const place = [...base, 'ground', 'pieces', piece.id];
    const list = KINDS_OF_PIECE[piece.piece];
    if (list && 'kind' in piece && !known[list].has(piece.kind))
      say([...place, 'kind'], `There is no ${KIND_WORDS[list]} “${piece.kind}”.`);
    if (piece.piece === 'latch') {
      piece.opens.forEach((gate, at) => {
        const problem = pieceProblem(known, gate, 'gate');
        if (problem !== undefined) say([...place, 'opens', at], problem);
      });
    }
  }
  const gates = level.ground.pieces.filter((piece) => piece.piece === 'gate').length;
  if (gates > Limits.gates)
    say([...base, 'ground', 'pieces'], `At most ${Limits.gates} gates on a ground; this has ${gates}.`);

  const spawners = level.ground.pieces.filter((piece) => piece.piece === 'spawner').length;
  if (spawners > Limits.spawners)
    say(
      [...base, 'ground', 'pieces'],
      `At most ${Limits.spawners} spawners on a ground; this has ${spawners}. Let fewer of them send more.`,
    );
  const rules = [...project.standing, ...level.rules];
  const effects = rules.reduce((sum, rule) => sum + rule.then.length, 0);
  if (effects > Limits.effectsInALevel)
    say(
      [...base, 'rules'],
      `At most ${Limits.effectsInALevel} effects in a level, standing rules included; this has ${effects}.`,
    );

  const seen = new Set<string>();
  ruleProblems(level.rules, [...base, 'rules'], known, seen, say);
  for (const { id, replaces } of level.rules) {
    if (replaces !== undefined && !standing.has(replaces))
      say([...base, 'rules', id, 'replaces'], `There is no standing rule “${replaces}”.`);
    if (standing.has(id)) say([...base, 'rules', id], `“${id}” is the id of a standing rule.`);
  }
  for (const id of level.standingRulesOff)
    if (!standing.has(id)) say([...base, 'standingRulesOff', id], `There is no standing rule “${id}”.`);
  level.meetings?.zones?.forEach((zone, index) => {
    const problem = pieceProblem(known, zone, 'goal', 'zone');
    if (problem !== undefined) say([...base, 'meetings', 'zones', index], problem);
  });
  const { clock, stars, ending } = level;
  if (clock.startsWhen) conditionProblems(clock.startsWhen, [...base, 'clock', 'startsWhen'], known, seen, say);
  else if (clock.starts === 'condition')
    say([...base, 'clock', 'startsWhen'], 'A clock that starts on a condition needs one.');
  if (stars.is === 'conditions') {
    stars.conditions.forEach((condition, index) => {
      if (condition) conditionProblems(condition, [...base, 'stars', 'conditions', index], known, seen, say);
    });
  }
  const standingConditions = project.standing.reduce((sum, rule) => sum + conditionsIn(rule.when), 0);
  if (seen.size + standingConditions > Limits.conditionsInALevel)
    say(
      [...base, 'rules'],
      `At most ${Limits.conditionsInALevel} conditions in a level, standing rules included; this has ${seen.size + standingConditions}.`,
    );
  for (const side of ['won', 'lost'] as const) {
    const { next } = ending[side];
    if (next.to === 'slot' && !slots.has(next.slot))
      say([...base, 'ending', side, 'next', 'slot'], `There is no slot “${next.slot}”.`);
  }
}
