import type { Level, Project, Rule } from '../../document/model/index.ts';

/** A rule that holds in a level, and where it is written. */
export interface RuleInForce {
  rule: Rule;
  /** Path of the rule in the document. */
  path: (string | number)[];
  standing: boolean;
}

/**
 * The rules of a level in the order in which they act: the standing ones, less those it switches off and with those it
 * replaces replaced, then its own; rules that are switched off are left out.
 */
export function rulesOf(project: Pick<Project, 'standing'>, level: Level): RuleInForce[] {
  const own = level.rules.map((rule) => ({ rule, path: ['levels', level.id, 'rules', rule.id], standing: false }));
  const instead = new Map(
    own.flatMap((entry) => (entry.rule.replaces === undefined ? [] : [[entry.rule.replaces, entry]])),
  );
  const off = new Set(level.standingRulesOff);
  return [
    ...project.standing.flatMap((rule): RuleInForce[] => {
      const other = instead.get(rule.id);
      if (other) return [other];
      return off.has(rule.id) ? [] : [{ rule, path: ['standing', rule.id], standing: true }];
    }),
    ...own.filter((entry) => entry.rule.replaces === undefined),
  ].filter(({ rule }) => rule.off !== true);
}
