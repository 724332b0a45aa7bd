import type { PatchOperation } from '../patch/index.ts';
import { freshId, type Condition, type Level, type Project, type Rule } from '../model/index.ts';
import { eachCondition } from '../rules/index.ts';
import { addAt, at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';

const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Every condition id taken in a level's own rules, clock and stars. */
export function takenConditions(level: Level): Set<string> {
  const ids = new Set<string>();
  const take = (condition: Condition): void => eachCondition(condition, ({ id }) => void ids.add(id));
  for (const rule of level.rules) take(rule.when);
  if (level.clock.startsWhen) take(level.clock.startsWhen);
  if (level.stars.is === 'conditions') for (const condition of level.stars.conditions) if (condition) take(condition);
  return ids;
}

/** Every id that a rule of the project has, standing ones included. */
export const takenRules = (project: Project, level: Level): Set<string> =>
  new Set([...project.standing, ...level.rules].map((rule) => rule.id));

/** The same rule with ids of its own. The given sets learn them. */
export function freshRule(rule: Rule, rules: Set<string>, conditions: Set<string>): Rule {
  const copy = copyOf(rule);
  copy.id = freshId(copy.id, rules);
  rules.add(copy.id);
  eachCondition(copy.when, (condition) => {
    condition.id = freshId(condition.id, conditions);
    conditions.add(condition.id);
  });
  return copy;
}

/** Adds rules to a level; their ids are made fresh. */
export function addRules(project: Project, level: Level, rules: readonly Rule[], label: string): NamedEdit {
  const ruleIds = takenRules(project, level);
  const conditionIds = takenConditions(level);
  return {
    label,
    patch: rules.map((rule) => addAt(at('levels', level.id, 'rules', '-'), freshRule(rule, ruleIds, conditionIds))),
  };
}

/** Adds rules that hold in every level. */
export function addStanding(project: Project, rules: readonly Rule[], label: string): NamedEdit {
  // No level may have a rule of the same id: it could be taken for the standing one.
  const ruleIds = new Set([
    ...project.standing.map((rule) => rule.id),
    ...Object.values(project.levels).flatMap((level) => level.rules.map((rule) => rule.id)),
  ]);
  const conditionIds = new Set<string>();
  for (const rule of project.standing) eachCondition(rule.when, ({ id }) => void conditionIds.add(id));
  return { label, patch: rules.map((rule) => addAt(at('standing', '-'), freshRule(rule, ruleIds, conditionIds))) };
}

/** Takes a rule out; a standing one out of every level that names it too. @param path of the rule */
export function removeRule(project: Project, path: readonly (string | number)[], what: string): NamedEdit {
  const label = `Remove the rule: ${what}`;
  if (path[0] !== 'standing') return { label, patch: [removeAt(at(...path))] };
  const { id } = project.standing[Number(path[1])] as Rule;
  const named = Object.values(project.levels).flatMap((level): PatchOperation[] => [
    ...(level.without.includes(id)
      ? [
          replaceAt(
            at('levels', level.id, 'without'),
            level.without.filter((other) => other !== id),
          ),
        ]
      : []),
    ...level.rules.flatMap((rule, index) =>
      rule.replaces === id ? [removeAt(at('levels', level.id, 'rules', index, 'replaces'))] : [],
    ),
  ]);
  return { label, patch: [removeAt(at(...path)), ...named] };
}

/** Moves a rule within its list: rules act in the order written. */
export function moveRule(path: readonly (string | number)[], to: number, what: string): NamedEdit {
  const list = path.slice(0, -1);
  return { label: `Move the rule: ${what}`, patch: [{ op: 'move', from: at(...path), path: at(...list, to) }] };
}

/** A copy of a level's rule right after it. */
export function duplicateRule(project: Project, level: Level, index: number, what: string): NamedEdit {
  const rule = freshRule(level.rules[index] as Rule, takenRules(project, level), takenConditions(level));
  delete rule.replaces;
  return { label: `Duplicate the rule: ${what}`, patch: [addAt(at('levels', level.id, 'rules', index + 1), rule)] };
}

/** Switches a rule off where it is written, or on again. */
export const switchRule = (path: readonly (string | number)[], rule: Rule, on: boolean, what: string): NamedEdit => ({
  label: `${on ? 'Switch on' : 'Switch off'}: ${what}`,
  patch: setOptional(at(...path, 'off'), rule.off, on ? undefined : true),
});

/** Switches a standing rule off in one level, or on again. */
export function switchStanding(level: Level, id: string, on: boolean, what: string): NamedEdit {
  const without = on ? level.without.filter((other) => other !== id) : [...level.without, id];
  return {
    label: `${on ? 'Switch on' : 'Switch off'} in ${level.name}: ${what}`,
    patch: [replaceAt(at('levels', level.id, 'without'), without)],
  };
}

/** Puts a rule of the level's own in a standing one's place, at first the same. */
export function replaceStanding(project: Project, level: Level, standing: Rule, what: string): NamedEdit {
  const own = freshRule(standing, takenRules(project, level), takenConditions(level));
  return {
    label: `Replace in ${level.name}: ${what}`,
    patch: [addAt(at('levels', level.id, 'rules', '-'), { ...own, replaces: standing.id })],
  };
}

/** Makes a level's rule hold in every level. */
export function makeStanding(project: Project, level: Level, index: number, what: string): NamedEdit {
  const { replaces: _replaces, ...rule } = copyOf(level.rules[index] as Rule);
  const without = { ...level, rules: level.rules.filter((_, at) => at !== index) };
  const rest = { ...project, levels: { ...project.levels, [level.id]: without } };
  const { label, patch } = addStanding(rest, [rule], `In every level: ${what}`);
  return { label, patch: [removeAt(at('levels', level.id, 'rules', index)), ...patch] };
}

const NAMES_PIECES = ['zone', 'latch', 'gate', 'piece', 'spawner', 'at'];

/** Does the rule name something that lies on one level's ground? */
export const namesPieces = (rule: Rule): boolean =>
  NAMES_PIECES.some((name) => new RegExp(`"${name}":"`).test(JSON.stringify([rule.when, rule.then])));
