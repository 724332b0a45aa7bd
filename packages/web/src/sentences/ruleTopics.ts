import type { Level, Project, Rule } from '@stadion/core/document/model';

/** Under which heading a rule stands. */
export type Topic = 'won' | 'lost' | 'milestone';

export function topicOf(rule: Rule): Topic {
  if (rule.then.some((effect) => effect.effect === 'win')) return 'won';
  return rule.then.some((effect) => effect.effect === 'lose' || effect.effect === 'loseLife') ? 'lost' : 'milestone';
}

/** A rule as a level shows it. */
export interface ShownRule {
  rule: Rule;
  path: (string | number)[];
  standing: boolean;
  /** In force, switched off where it is written, or a standing one switched off here. */
  state: 'in force' | 'off' | 'off here';
  /** The standing rule whose place it takes. */
  insteadOf?: Rule;
}

/** Every rule that a level shows, in the order in which they act: standing ones, then its own. */
export function shownRules(project: Pick<Project, 'standing'>, level: Level): ShownRule[] {
  const own = level.rules.map((rule): ShownRule => {
    const instead = project.standing.find((other) => other.id === rule.replaces);
    return {
      rule,
      path: ['levels', level.id, 'rules', rule.id],
      standing: false,
      state: rule.off ? 'off' : 'in force',
      ...(instead ? { insteadOf: instead } : {}),
    };
  });
  return [
    ...project.standing.flatMap((rule): ShownRule[] => {
      const other = own.find((entry) => entry.insteadOf?.id === rule.id);
      if (other) return [other];
      const state = rule.off ? 'off' : level.standingRulesOff.includes(rule.id) ? 'off here' : 'in force';
      return [{ rule, path: ['standing', rule.id], standing: true, state }];
    }),
    ...own.filter((entry) => !entry.insteadOf),
  ];
}
