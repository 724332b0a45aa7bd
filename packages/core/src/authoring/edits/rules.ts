import type { PatchOperation } from '../../basics/patch/index.ts';
import {
  freshId,
  type Condition,
  type Level,
  type MintId,
  type Project,
  type Rule,
} from '../../document/model/index.ts';
import { conditionsBesideRules, eachCondition } from '../../play/rules/index.ts';
import { addAt, at, removeAt, setOptional, type NamedEdit } from './edit.ts';
import { appendEntries, insertEntry, moveEntry } from './order.ts';

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Every condition id taken in a level's own rules, clock and stars. */
export function takenConditions(level: Level): Set<string> {
  const ids = new Set<string>();
  const take = (condition: Condition): void => eachCondition(condition, ({ id }) => void ids.add(id));
  for (const rule of level.rules) take(rule.when);
  for (const condition of conditionsBesideRules(level)) take(condition);
  return ids;
}

/** Every id that a rule of the project has, standing ones included. */
export const takenRules = (project: Project, level: Level): Set<string> =>
  new Set([...project.standing, ...level.rules].map((rule) => rule.id));

/** The same rule with ids of its own. The given sets learn them. */
export function freshRule(rule: Rule, rules: Set<string>, conditions: Set<string>, mint: MintId = freshId): Rule {
  const copy = copyOf(rule);
  copy.id = mint(copy.id, rules);
  rules.add(copy.id);
  eachCondition(copy.when, (condition) => {
    condition.id = freshId(condition.id, conditions);
    conditions.add(condition.id);
  });
  return copy;
}

/** Adds rules to a level; their ids are made fresh. */
export function addRules(
  project: Project,
  level: Level,
  rules: readonly Rule[],
  label: string,
  mint: MintId = freshId,
): NamedEdit {
  const ruleIds = takenRules(project, level);
  const conditionIds = takenConditions(level);
  return {
    label,
    patch: appendEntries(
      ['levels', level.id, 'rules'],
      level.rules,
      rules.map((rule) => freshRule(rule, ruleIds, conditionIds, mint)),
    ),
  };
}

/** Every id that a new standing rule must not have. No level may have a rule of the same id: it could be taken for the standing one. */
export const takenStandingRules = (project: Project): Set<string> =>
  new Set([
    ...project.standing.map((rule) => rule.id),
    ...Object.values(project.levels).flatMap((level) => level.rules.map((rule) => rule.id)),
  ]);

/** Every id of a condition in the standing rules. */
export function takenStandingConditions(project: Project): Set<string> {
  const ids = new Set<string>();
  for (const rule of project.standing) eachCondition(rule.when, ({ id }) => void ids.add(id));
  return ids;
}

/** Adds rules that hold in every level. */
export function addStanding(
  project: Project,
  rules: readonly Rule[],
  label: string,
  mint: MintId = freshId,
): NamedEdit {
  const ruleIds = takenStandingRules(project);
  const conditionIds = takenStandingConditions(project);
  const fresh = rules.map((rule) => freshRule(rule, ruleIds, conditionIds, mint));
  return { label, patch: appendEntries(['standing'], project.standing, fresh) };
}

/** Takes a rule out; a standing one out of every level that names it too. @param path of the rule */
export function removeRule(project: Project, path: readonly (string | number)[], what: string): NamedEdit {
  const label = `Remove the rule: ${what}`;
  if (path[0] !== 'standing') return { label, patch: [removeAt(at(...path))] };
  const id = String(path[1]);
  const named = Object.values(project.levels).flatMap((level): PatchOperation[] => [
    ...(level.standingRulesOff.includes(id) ? [removeAt(at('levels', level.id, 'standingRulesOff', id))] : []),
    ...level.rules.flatMap((rule) =>
      rule.replaces === id ? [removeAt(at('levels', level.id, 'rules', rule.id, 'replaces'))] : [],
    ),
  ]);
  return { label, patch: [removeAt(at(...path)), ...named] };
}

/** Moves a rule within its list: rules act in the order written. @param rules the list @param to the place it comes to, from 0 */
export function moveRule(
  path: readonly (string | number)[],
  rules: readonly Rule[],
  to: number,
  what: string,
): NamedEdit {
  const from = rules.findIndex((rule) => rule.id === path.at(-1));
  return { label: `Move the rule: ${what}`, patch: moveEntry(path.slice(0, -1), rules, from, to) };
}

/** A copy of a level's rule right after it. */
export function duplicateRule(
  project: Project,
  level: Level,
  id: string,
  what: string,
  mint: MintId = freshId,
): NamedEdit {
  const index = level.rules.findIndex((rule) => rule.id === id);
  const rule = freshRule(level.rules[index] as Rule, takenRules(project, level), takenConditions(level), mint);
  delete rule.replaces;
  const patch = insertEntry(['levels', level.id, 'rules'], level.rules, rule, index + 1);
  return { label: `Duplicate the rule: ${what}`, patch };
}

/** Switches a rule off where it is written, or on again. */
export const switchRule = (path: readonly (string | number)[], rule: Rule, on: boolean, what: string): NamedEdit => ({
  label: `${on ? 'Switch on' : 'Switch off'}: ${what}`,
  patch: setOptional(at(...path, 'off'), rule.off, on ? undefined : true),
});

/** Switches a standing rule off in one level, or on again. */
export function switchStanding(level: Level, id: string, on: boolean, what: string): NamedEdit {
  const path = at('levels', level.id, 'standingRulesOff', id);
  return {
    label: `${on ? 'Switch on' : 'Switch off'} in ${level.name}: ${what}`,
    patch: [on ? removeAt(path) : addAt(path, true)],
  };
}

/** Puts a rule of the level's own in a standing one's place, at first the same. */
export function replaceStanding(
  project: Project,
  level: Level,
  standing: Rule,
  what: string,
  mint: MintId = freshId,
): NamedEdit {
  const own = freshRule(standing, takenRules(project, level), takenConditions(level), mint);
  return {
    label: `Replace in ${level.name}: ${what}`,
    patch: insertEntry(['levels', level.id, 'rules'], level.rules, { ...own, replaces: standing.id }),
  };
}

/** Makes a level's rule hold in every level. */
export function makeStanding(project: Project, level: Level, id: string, what: string): NamedEdit {
  const { replaces: _replaces, ...rule } = copyOf(level.rules.find((other) => other.id === id) as Rule);
  const without = { ...level, rules: level.rules.filter((other) => other.id !== id) };
  const rest = { ...project, levels: { ...project.levels, [level.id]: without } };
  const { label, patch } = addStanding(rest, [rule], `In every level: ${what}`);
  return { label, patch: [removeAt(at('levels', level.id, 'rules', id)), ...patch] };
}
