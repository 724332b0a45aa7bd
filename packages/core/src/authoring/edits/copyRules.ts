import { namesFor } from '../../play/attempt/index.ts';
import { ruleInWords } from '../../play/rules/index.ts';
import { alike, type PatchOperation } from '../../basics/patch/index.ts';
import { findReferenceProblems, levelEntryOf, type Level, type Project } from '../../document/model/index.ts';
import { at, replaceAt, type NamedEdit } from './edit.ts';
import { freshRule, takenConditions, takenRules } from './rules.ts';

/** Parts to copy from one level to others. */
export interface CopiedRules {
  /** Ids of own rules. */
  rules: readonly string[];
  /** Takes the place of all own rules there, or stands besides them; one of the same id is always replaced. */
  instead: boolean;
  clock: boolean;
  stars: boolean;
  ending: boolean;
  tie: boolean;
  standingRulesOff: boolean;
}

/** Changes by copying in one level. */
export interface LevelChange {
  level: Level;
  added: number;
  replaced: number;
  removed: number;
  parts: string[];
  /** Rules and parts that name something this level does not have, in words, with what that is. */
  leftOut: { what: string; why: string }[];
}

const PARTS = ['clock', 'stars', 'ending', 'tie', 'standingRulesOff'] as const;
const PART_WORDS = {
  clock: 'clock',
  stars: 'stars',
  ending: 'ending',
  tie: 'tie',
  standingRulesOff: 'switched-off standing rules',
};

/** Problem of a level by itself, in words; undefined when it is whole. */
function problemWith(project: Project, level: Level): string | undefined {
  const alone: Project = { ...project, levels: { [level.id]: level }, slots: [], expectations: [] };
  const problem = findReferenceProblems(alone).find(
    ({ path }) => path[0] === 'levels' && !path.includes('next') && path[path.length - 1] !== 'slot',
  );
  return problem?.message;
}

function changeOf(project: Project, from: Level, target: Level, what: CopiedRules) {
  const chosen = from.rules.filter((rule) => what.rules.includes(rule.id));
  const kept = what.instead ? [] : target.rules.filter((rule) => !what.rules.includes(rule.id));
  const names = namesFor(project, from);
  const change: LevelChange = { level: target, added: 0, replaced: 0, removed: 0, parts: [], leftOut: [] };
  let next: Level = { ...target, rules: kept };
  for (const rule of chosen) {
    const ids = takenRules(project, next);
    const copy = freshRule(rule, ids, takenConditions(next));
    delete copy.order;
    const trial = { ...next, rules: [...next.rules, copy] };
    const why = problemWith(project, trial);
    const before = target.rules.find((other) => other.id === rule.id);
    if (why !== undefined) {
      change.leftOut.push({ what: ruleInWords(rule, names), why });
      if (before && !what.instead) next = { ...next, rules: [...next.rules, before] };
      continue;
    }
    if (before) change.replaced++;
    else change.added++;
    next = trial;
  }
  change.removed = target.rules.filter(
    (rule) => !next.rules.includes(rule) && !chosen.some((other) => other.id === rule.id),
  ).length;
  for (const part of PARTS) {
    if (!what[part] || alike(from[part], target[part])) continue;
    const trial = { ...next, [part]: from[part] };
    const why = problemWith(project, trial);
    if (why === undefined) {
      next = trial;
      change.parts.push(PART_WORDS[part]);
    } else change.leftOut.push({ what: PART_WORDS[part], why });
  }
  return { change, next };
}

/** Copies rules and more from one level to others, as one edit; says what it changes in each. */
export function copyRules(
  project: Project,
  from: Level,
  targets: readonly string[],
  what: CopiedRules,
): NamedEdit & { changes: LevelChange[] } {
  const changes: LevelChange[] = [];
  const patch: PatchOperation[] = [];
  for (const id of new Set(targets)) {
    const target = project.levels[id];
    if (!target || id === from.id) continue;
    const { change, next } = changeOf(project, from, target, what);
    changes.push(change);
    const [entry, before] = [levelEntryOf(next), levelEntryOf(target)];
    for (const part of ['rules', ...PARTS] as const) {
      if (!alike(entry[part], before[part])) patch.push(replaceAt(at('levels', id, part), entry[part]));
    }
  }
  const count = changes.length;
  return { label: `Copy rules of ${from.name} to ${count} level${count === 1 ? '' : 's'}`, patch, changes };
}

/** The slots that a text names. @example slotsNamed('2, 5-7', 24) // [2, 5, 6, 7] */
export function slotsNamed(text: string, slots: number): number[] | undefined {
  const found = new Set<number>();
  for (const part of text.split(/[,;\s]+/).filter(Boolean)) {
    const match = /^(\d+)(?:[-–](\d+))?$/.exec(part);
    if (!match) return undefined;
    const first = Number(match[1]);
    const last = Number(match[2] ?? match[1]);
    if (first < 1 || last > slots || first > last) return undefined;
    for (let position = first; position <= last; position++) found.add(position);
  }
  return [...found].toSorted((a, b) => a - b);
}
