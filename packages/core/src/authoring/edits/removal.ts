import { namesFor } from '../../play/attempt/index.ts';
import {
  kindsInAmounts,
  type Condition,
  type Effect,
  type Id,
  type Level,
  type Project,
  type Reading,
  type Rule,
} from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { conditionInWords, effectInWords, type Leaf, type Names } from '../../play/rules/index.ts';
import { at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { removeRule } from './rules.ts';

/** How readings, effects and amounts name the thing that is removed. A predicate gets no level for standing rules and the score. */
export interface NamedThing {
  reading?: (reading: Reading, level?: Level) => boolean;
  effect?: (effect: Effect, level?: Level) => boolean;
  /** The zone of a meeting. */
  zone?: (id: Id, level: Level) => boolean;
  /** The kind of collectable that amounts are shares of. */
  kind?: Id;
  /** The own tally that a lost life may reset. */
  tally?: Id;
  /** The only level in which it can be named; absent for a thing of the whole project. */
  level?: Level;
}

/** One sentence that names the removed thing, and that is removed with it. */
export interface NamedSentence {
  /** Absent for standing rules and the score. */
  level?: Level;
  words: string;
}

/** An edit that removes a thing, with every sentence that names it. */
export interface Removal extends NamedEdit {
  sentences: readonly NamedSentence[];
}

export interface RemovalOfNames {
  patch: PatchOperation[];
  /** The removed sentences. Each occurs once per level. */
  sentences: NamedSentence[];
}

/** The condition without the leaves that name the thing; undefined where nothing remains of it. */
function conditionWithout(condition: Condition, names: (leaf: Leaf) => boolean): Condition | undefined {
  if (!('of' in condition)) return names(condition) ? undefined : condition;
  const of = condition.of.flatMap((child) => conditionWithout(child, names) ?? []);
  if (of.length === condition.of.length && of.every((child, index) => child === condition.of[index])) return condition;
  return of.length === 0 ? undefined : { ...condition, of };
}

/**
 * Removes everything that names a thing, so that the thing itself can be removed. A condition of a group is removed
 * alone, a rule of which nothing remains is removed whole.
 */
export function withoutNames(project: Project, thing: NamedThing): RemovalOfNames {
  const known = new Map<Level | undefined, Names>();
  const namesOf = (level?: Level): Names => {
    const names = known.get(level) ?? namesFor(project, level);
    known.set(level, names);
    return names;
  };
  const patch: PatchOperation[] = [];
  const sentences: NamedSentence[] = [];
  const takesShare = (part: unknown): boolean => thing.kind !== undefined && kindsInAmounts(part).has(thing.kind);
  const namesEffect = (effect: Effect, level?: Level): boolean =>
    (thing.effect?.(effect, level) ?? false) || takesShare(effect);
  const say = (words: string, level?: Level): void => {
    if (!sentences.some((said) => said.words === words && said.level === level))
      sentences.push({ words, ...(level ? { level } : {}) });
  };
  /** Says the leaves that go from a condition, and returns the rest. */
  const rest = (condition: Condition, level?: Level): Condition | undefined =>
    conditionWithout(condition, (leaf) => {
      const goes = (thing.reading?.(leaf.reading, level) ?? false) || takesShare(leaf);
      if (goes) say(conditionInWords(leaf, namesOf(level)), level);
      return goes;
    });

  const fromRule = (rule: Rule, path: (string | number)[], level?: Level): void => {
    const when = rest(rule.when, level);
    const then = rule.then.flatMap((effect): Effect[] => {
      if (namesEffect(effect, level)) {
        say(effectInWords(effect, namesOf(level)), level);
        return [];
      }
      if (effect.effect !== 'loseLife' || thing.tally === undefined || !effect.resets.includes(thing.tally))
        return [effect];
      return [{ ...effect, resets: effect.resets.filter((name) => name !== thing.tally) }];
    });
    if (!when || then.length === 0) return void patch.push(...removeRule(project, path, '').patch);
    if (when !== rule.when) patch.push(replaceAt(at(...path, 'when'), when));
    if (then.length !== rule.then.length || then.some((effect, index) => effect !== rule.then[index]))
      patch.push(replaceAt(at(...path, 'then'), then));
    if (takesShare(rule.everySeconds)) patch.push(removeAt(at(...path, 'everySeconds')));
  };

  const fromLevel = (level: Level): void => {
    const base = ['levels', level.id];
    for (const rule of level.rules) fromRule(rule, [...base, 'rules', rule.id], level);
    const { clock, stars } = level;
    if (clock.startsWhen) {
      const startsWhen = rest(clock.startsWhen, level);
      if (!startsWhen && clock.starts === 'condition') patch.push(replaceAt(at(...base, 'clock', 'starts'), 'load'));
      if (startsWhen !== clock.startsWhen)
        patch.push(...setOptional(at(...base, 'clock', 'startsWhen'), clock.startsWhen, startsWhen));
    }
    for (const field of ['limitSeconds', 'warnAtSeconds', 'parSeconds'] as const)
      if (takesShare(clock[field])) {
        say(`the clock of ${level.name}`, level);
        patch.push(replaceAt(at(...base, 'clock', field), null));
      }
    if (stars.is === 'conditions') {
      const conditions = stars.conditions.map((star) => (star ? (rest(star, level) ?? null) : null));
      if (conditions.some((star, index) => star !== stars.conditions[index]))
        patch.push(replaceAt(at(...base, 'stars', 'conditions'), conditions));
    } else if (takesShare(stars.thresholds)) {
      say(`a star of ${level.name}`, level);
      const thresholds = stars.thresholds.map((threshold) => (takesShare(threshold) ? null : threshold));
      patch.push(replaceAt(at(...base, 'stars', 'thresholds'), thresholds));
    }
    const zones = level.meetings?.zones ?? [];
    const gone = zones.filter((zone) => thing.zone?.(zone, level));
    for (const zone of gone) say(`a meeting at ${namesOf(level).pieces[zone] ?? zone}`, level);
    if (gone.length > 0)
      patch.push(
        replaceAt(
          at(...base, 'meetings', 'zones'),
          zones.filter((zone) => !gone.includes(zone)),
        ),
      );
  };

  if (thing.level) fromLevel(thing.level);
  else {
    for (const rule of project.standing) fromRule(rule, ['standing', rule.id]);
    for (const part of project.score)
      if ((thing.reading?.(part.reading) ?? false) || takesShare(part)) {
        say('a part of the score');
        patch.push(removeAt(at('score', part.id)));
      }
    for (const level of Object.values(project.levels)) fromLevel(level);
  }
  return { patch, sentences };
}
