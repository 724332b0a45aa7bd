import type { Finding } from '@stadion/core/findings';
import { RuleSentence, shownRules, topicOf, type Topic } from '../../sentences/index.ts';
import type { LevelHere } from '../../project/levelHere.ts';

const NOTHING: Readonly<Record<Topic, string>> = {
  won: 'nothing: no rule wins it',
  lost: 'nothing: no rule loses it',
  milestone: 'nothing happens on the way',
};

/** Every rule under one heading, standing ones in their place. */
export function RuleList({ here, topic, findings }: { here: LevelHere; topic: Topic; findings: readonly Finding[] }) {
  const { project, level } = here;
  const rules = shownRules(project, level).filter(({ rule }) => topicOf(rule) === topic);
  return (
    <div className="flex flex-col gap-1">
      {rules.map((shown) => (
        <RuleSentence
          key={`${shown.standing ? 's' : 'o'}-${shown.rule.id}`}
          here={here}
          shown={shown}
          list={shown.standing ? project.standing : level.rules}
          findings={findings}
        />
      ))}
      {rules.length === 0 ? <span className="leading-7 text-ink-3">{NOTHING[topic]}</span> : null}
    </div>
  );
}
