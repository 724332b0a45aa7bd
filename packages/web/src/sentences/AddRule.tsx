import { useMemo, useState } from 'react';
import { addStanding, namesPieces } from '@stadion/core/authoring/edits';
import type { Rule } from '@stadion/core/document/model';
import { useEdit } from '../store/hooks.ts';
import { mintId } from '../store/mintId.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { ruleInWords } from '@stadion/core/play/rules';
import { ChoiceChip, Finder } from '../ui/index.ts';
import { intentsFor, ownWaysToWin, sayIntent } from './intents.ts';
import type { Topic } from './ruleTopics.ts';

const WORDS: Readonly<Record<Topic, { button: string; label: string }>> = {
  won: { button: '+ way to win', label: 'How is it won?' },
  lost: { button: '+ way to lose', label: 'How is it lost?' },
  milestone: { button: '+ milestone', label: 'What happens on the way?' },
};

/** Adding a rule starts from what the designer wants to say. @param standing the rule is to hold in every level */
export function AddRule({ here, topic, standing = false }: { here: LevelContext; topic: Topic; standing?: boolean }) {
  const edit = useEdit();
  const { button, label } = WORDS[topic];
  const ways = topic === 'won' && !standing ? ownWaysToWin(here) : [];
  const [place, setPlace] = useState<'also' | 'instead'>('also');
  const instead = place === 'instead' && ways.length > 0;
  const entries = useMemo(
    () =>
      intentsFor(here, topic)
        .filter((intent) => !standing || (intent.rules.length > 0 && !intent.rules.some(namesPieces)))
        .map((intent) => ({
          id: intent.say,
          label: intent.say,
          also: intent.also ?? '',
          onChoose: () => {
            edit(
              standing
                ? addStanding(here.project, intent.rules, `In every level: ${intent.say}`, mintId)
                : sayIntent(here, intent, instead),
            );
            setPlace('also');
          },
        })),
    [here, topic, standing, instead, edit],
  );
  return (
    <Finder
      label={label}
      placeholder="Say it in a word or two: gate, wave, survive …"
      entries={entries}
      trigger={
        <button type="button" className="act link">
          {button}
        </button>
      }
    >
      {ways.length === 0 ? null : (
        <div className="say mb-1.5">
          <span className="join">It wins</span>
          <ChoiceChip
            label="In addition or in place"
            value={place}
            choices={[
              { value: 'also', label: 'as well: either way is enough' },
              {
                value: 'instead',
                label:
                  ways.length === 1
                    ? `in place of “${ruleInWords(ways[0] as Rule, here.names)}”`
                    : `in place of the ${ways.length} ways to win`,
              },
            ]}
            onChoose={(next) => setPlace(next === 'instead' ? 'instead' : 'also')}
          />
        </div>
      )}
    </Finder>
  );
}
