import type { Condition } from './condition.ts';
import { MAX_CONDITION_DEPTH } from './condition.ts';
import type { Level } from './level.ts';
import type { Project } from './project.ts';

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

type Visit = (path: (string | number)[], key: string) => void;

function eachParameterAmount(value: unknown, path: (string | number)[], visit: Visit): void {
  if (Array.isArray(value)) {
    value.forEach((item, index) => eachParameterAmount(item, [...path, index], visit));
  } else if (value !== null && typeof value === 'object') {
    const entry = value as Record<string, unknown>;
    if (entry['from'] === 'parameter' && typeof entry['parameter'] === 'string') visit(path, entry['parameter']);
    else for (const [name, item] of Object.entries(entry)) eachParameterAmount(item, [...path, name], visit);
  }
}

/** Every amount in the document that takes the parameter. */
export function usesOfParameter(project: Project, key: string): ParameterUse[] {
  const uses: ParameterUse[] = [];
  const visit: Visit = (path, used) => {
    if (used !== key) return;
    uses.push(path[0] === 'levels' ? { path, levelId: String(path[1]) } : { path });
  };
  for (const part of ['player', 'run', 'kinds', 'levels'] as const) eachParameterAmount(project[part], [part], visit);
  return uses;
}

/** All names that lead nowhere and all ids given twice, each with its place. An empty list means the document is whole. */
export function findReferenceProblems(project: Project): ReferenceProblem[] {
  const problems: ReferenceProblem[] = [];
  const say = (path: (string | number)[], message: string): void => void problems.push({ path, message });
  const unique = (ids: readonly string[], path: (string | number)[], field: string): void => {
    const seen = new Set<string>();
    ids.forEach((id, index) => {
      if (seen.has(id)) say([...path, index, field], `“${id}” is given twice.`);
      seen.add(id);
    });
  };

  const ids = (items: readonly { id: string }[]): string[] => items.map((item) => item.id);
  unique(ids(project.slots), ['slots'], 'id');
  unique(ids(project.tiers), ['tiers'], 'id');
  unique(ids(project.kinds.collectables), ['kinds', 'collectables'], 'id');
  unique(ids(project.kinds.enemies), ['kinds', 'enemies'], 'id');
  const keys = project.parameters.map((parameter) => parameter.key);
  unique(keys, ['parameters'], 'key');

  project.slots.forEach((slot, index) => {
    if (!Object.hasOwn(project.levels, slot.levelId))
      say(['slots', index, 'levelId'], `There is no level “${slot.levelId}”.`);
  });
  const known = new Set(keys);
  for (const part of ['player', 'run', 'kinds', 'levels'] as const) {
    eachParameterAmount(project[part], [part], (path, key) => {
      if (!known.has(key)) say([...path, 'parameter'], `There is no parameter “${key}”.`);
    });
  }
  for (const [id, level] of Object.entries(project.levels)) {
    if (level.id !== id) say(['levels', id, 'id'], `The level under “${id}” calls itself “${level.id}”.`);
    unique(ids(level.rules), ['levels', id, 'rules'], 'id');
    unique(ids(level.ground.pieces), ['levels', id, 'ground', 'pieces'], 'id');
    levelProblems(project, level, say);
  }
  return problems;
}

function levelProblems(
  project: Project,
  level: Level,
  say: (path: (string | number)[], message: string) => void,
): void {
  const collectables = new Set([...project.kinds.collectables.map((kind) => kind.id), 'any']);
  const enemies = new Set(project.kinds.enemies.map((kind) => kind.id));
  const goals = new Set(level.ground.pieces.flatMap((piece) => (piece.piece === 'goal' ? [piece.id] : [])));
  const base = ['levels', level.id];

  level.ground.pieces.forEach((piece, index) => {
    const place = [...base, 'ground', 'pieces', index, 'kind'];
    if (piece.piece === 'collectable' && !collectables.has(piece.kind))
      say(place, `There is no collectable “${piece.kind}”.`);
    if ((piece.piece === 'enemy' || piece.piece === 'spawner') && !enemies.has(piece.kind))
      say(place, `There is no enemy “${piece.kind}”.`);
  });

  const seen = new Set<string>();
  const visit = (condition: Condition, path: (string | number)[], depth: number): void => {
    if (seen.has(condition.id)) say([...path, 'id'], `The condition “${condition.id}” is given twice.`);
    seen.add(condition.id);
    if ('of' in condition) {
      if (depth >= MAX_CONDITION_DEPTH)
        return say(path, `Groups are at most ${MAX_CONDITION_DEPTH} deep: make a rule of its own.`);
      condition.of.forEach((item, index) => visit(item, [...path, 'of', index], depth + 1));
      return;
    }
    const { reading } = condition;
    if ('zone' in reading && !goals.has(reading.zone))
      say([...path, 'reading', 'zone'], `There is no goal zone “${reading.zone}” on this ground.`);
    if ('kind' in reading && !enemies.has(reading.kind))
      say([...path, 'reading', 'kind'], `There is no enemy “${reading.kind}”.`);
    if ('of' in reading && !collectables.has(reading.of))
      say([...path, 'reading', 'of'], `There is no collectable “${reading.of}”.`);
    if (condition.is === 'compare' && condition.amount.from === 'share' && !collectables.has(condition.amount.of)) {
      say([...path, 'amount', 'of'], `There is no collectable “${condition.amount.of}”.`);
    }
  };
  level.rules.forEach((rule, index) => visit(rule.when, [...base, 'rules', index, 'when'], 0));
}
