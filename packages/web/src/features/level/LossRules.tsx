import { freshId, literal, type Effect, type Rule } from '@stadion/core/model';
import { endingOfRule, leaves, readingInWords } from '@stadion/core/rules';
import type { Finding } from '@stadion/core/findings';
import { X } from 'lucide-react';
import { addAt, at, removeAt, replaceAt } from '../../app/commands/index.ts';
import { useEdit } from '../../app/hooks.ts';
import { ChoiceChip, Menu, TextInPlace } from '../../ui/index.ts';
import { AmountChip } from './AmountChip.tsx';
import { ConditionSentence } from './ConditionSentence.tsx';
import { takenIds } from './conditions.ts';
import type { LevelHere } from '../../app/levelHere.ts';

const BACK = [
  { value: 'start', label: 'back at the start' },
  { value: 'stay', label: 'on the spot' },
];

/** What a rule that costs something says after its condition. */
function Consequence({ here, effect, path, rule }: { here: LevelHere; effect: Effect; path: string; rule: Rule }) {
  const edit = useEdit();
  if (effect.effect === 'win') return null;
  if (effect.effect === 'lose') {
    return (
      <span className="say inline-flex">
        <span className="join">— it is lost:</span>
        <TextInPlace
          label="Cause told to the player"
          className="chip"
          value={effect.cause}
          refuse={(text) =>
            text === '' ? 'A loss needs a cause.' : text.length > 80 ? 'At most 80 characters.' : undefined
          }
          onCommit={(cause) =>
            edit({ label: `Cause of the loss: ${cause}`, patch: [replaceAt(`${path}/cause`, cause)] })
          }
        />
      </span>
    );
  }
  const first = leaves(rule.when)[0]?.leaf.reading;
  const what = first ? readingInWords(first, here.names) : 'this';
  return (
    <span className="say inline-flex">
      <span className="join">— costs</span>
      <AmountChip
        here={here}
        label={`Lives it costs when ${what}`}
        amount={effect.lives}
        path={`${path}/lives`}
        step={1}
        min={0}
        max={99}
        whole
      />
      <span className="join">{effect.lives.from === 'number' && effect.lives.value === 1 ? 'life,' : 'lives,'}</span>
      <ChoiceChip
        label="Where the player goes on"
        value={effect.back}
        choices={BACK}
        onChoose={(back) =>
          edit({
            label: `After a lost life: ${BACK.find((entry) => entry.value === back)?.label ?? back}`,
            patch: [replaceAt(`${path}/back`, back)],
          })
        }
      />
    </span>
  );
}

/** Every rule by which something is lost: lives, or the level. */
export function LossRules({ here, findings }: { here: LevelHere; findings: readonly Finding[] }) {
  const edit = useEdit();
  const { level, project } = here;
  const rules = level.rules.map((rule, index) => ({ rule, index })).filter(({ rule }) => endingOfRule(rule) !== 'won');
  const taken = new Set(level.rules.map((rule) => rule.id));
  const conditionIds = takenIds(level);
  const add = (rule: Rule, label: string): void =>
    edit({ label, patch: [addAt(at('levels', level.id, 'rules', '-'), rule)] });
  return (
    <div>
      {rules.map(({ rule, index }) => {
        const path = at('levels', level.id, 'rules', index);
        return (
          <div key={rule.id} className="say items-start">
            <ConditionSentence
              here={here}
              condition={rule.when}
              path={`${path}/when`}
              topic="Lost when"
              findings={findings}
            />
            {rule.then.map((effect, effectIndex) => (
              <Consequence
                key={effectIndex}
                here={here}
                effect={effect}
                path={`${path}/then/${effectIndex}`}
                rule={rule}
              />
            ))}
            <button
              type="button"
              className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
              aria-label={`Remove the rule ${rule.id}`}
              onClick={() => edit({ label: `Remove a rule of ${level.name}`, patch: [removeAt(path)] })}
            >
              <X size={13} />
            </button>
          </div>
        );
      })}
      <div className="say">
        <Menu
          trigger={
            <button type="button" className="link">
              + way to lose
            </button>
          }
          entries={[
            ...project.kinds.enemies.map((kind) => ({
              label: `a ${kind.name.toLowerCase()}'s touch costs a life`,
              onSelect: () =>
                add(
                  {
                    id: freshId(`${kind.id}-touch`, taken),
                    when: {
                      id: freshId(`touches-${kind.id}`, conditionIds),
                      is: 'onOff',
                      reading: { reading: 'touching', kind: kind.id },
                      on: true,
                    },
                    then: [{ effect: 'loseLife', lives: literal(1), back: 'start' }],
                    fires: 'eachTime',
                  },
                  `${kind.name}'s touch costs a life`,
                ),
            })),
            {
              label: 'lives reach 0',
              onSelect: () =>
                add(
                  {
                    id: freshId('out-of-lives', taken),
                    when: {
                      id: freshId('no-lives', conditionIds),
                      is: 'compare',
                      reading: { reading: 'lives' },
                      comparison: 'atMost',
                      amount: literal(0),
                    },
                    then: [{ effect: 'lose', cause: 'Out of lives' }],
                    fires: 'once',
                  },
                  'Lost when lives reach 0',
                ),
            },
          ]}
        />
      </div>
    </div>
  );
}
