import type { Finding } from '@stadion/core/authoring/findings';
import type { Level } from '@stadion/core/document/model';
import { RuleSentence, shownRules, topicOf, type Topic } from '../../sentences/index.ts';
import type { LevelContext } from '../../readings/levelContext.ts';

const NOTHING: Readonly<Record<Topic, string>> = {
  won: 'nothing: no rule wins it',
  lost: 'nothing: no rule loses it',
  milestone: 'nothing happens on the way',
};

/** Returns the effect of the clock's end for a heading, in words; undefined where it has none there. */
function clockInWords({ clock }: Level, topic: Topic): string | undefined {
  if (clock.limitSeconds === null || topic === 'milestone') return undefined;
  const { atExpiry } = clock;
  if (topic === 'won')
    return atExpiry === 'win'
      ? 'The clock runs out: whoever is still there has won.'
      : atExpiry === 'grade'
        ? 'The clock runs out, and the attempt has earned a star.'
        : undefined;
  return atExpiry === 'lose'
    ? 'The clock runs out.'
    : atExpiry === 'grade'
      ? 'The clock runs out, and the attempt has earned no star.'
      : undefined;
}

/** Every rule under one heading, standing ones in their place. */
export function RuleList({
  here,
  topic,
  findings,
}: {
  here: LevelContext;
  topic: Topic;
  findings: readonly Finding[];
}) {
  const { project, level } = here;
  const rules = shownRules(project, level).filter(({ rule }) => topicOf(rule) === topic);
  const byClock = clockInWords(level, topic);
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
      {byClock === undefined ? null : (
        <p className="leading-7">
          {byClock} <span className="text-ink-3">(see Clock)</span>
        </p>
      )}
      {rules.length === 0 && byClock === undefined ? (
        <span className="leading-7 text-ink-3">{NOTHING[topic]}</span>
      ) : null}
    </div>
  );
}
