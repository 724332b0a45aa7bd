import { MAX_CONDITION_DEPTH, type Comparison, type Condition, type Reading } from '@stadion/core/model';
import { COMPARISON_WORDS, comparisonInWords, READINGS, readingInWords } from '@stadion/core/rules';
import { X } from 'lucide-react';
import type { Finding } from '@stadion/core/findings';
import { addAt, removeAt, replaceAt, setOptional } from '../../app/commands/index.ts';
import { FindingNotes } from '../../app/FindingNote.tsx';
import { useEdit } from '../../app/hooks.ts';
import { ChoiceChip, Menu } from '../../ui/index.ts';
import { AmountChip } from './AmountChip.tsx';
import { choiceOf, conditionOn, groupOn, readingChoices } from './conditions.ts';
import type { LevelHere } from '../../app/levelHere.ts';

interface Props {
  here: LevelHere;
  condition: Condition;
  /** JSON pointer to the condition. */
  path: string;
  /** What this condition is about: “Won when”. */
  topic: string;
  findings: readonly Finding[];
  depth?: number;
  /** Absent where the condition cannot be taken away. */
  onRemove?: () => void;
}

const GROUP_WORDS = { all: 'all of', any: 'any of', none: 'none of' } as const;
const JOINS = { all: 'and', any: 'or', none: 'nor' } as const;
const COMPARISONS = Object.keys(COMPARISON_WORDS) as Comparison[];

/** A condition as an indented sentence of chips. */
export function ConditionSentence(props: Props) {
  return props.condition.is === 'compare' || props.condition.is === 'onOff' ? (
    <Leaf {...props} />
  ) : (
    <Group {...props} />
  );
}

function RemoveButton({ what, onRemove }: { what: string; onRemove: (() => void) | undefined }) {
  if (!onRemove) return null;
  return (
    <button
      type="button"
      className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
      aria-label={`Remove: ${what}`}
      onClick={onRemove}
    >
      <X size={13} />
    </button>
  );
}

/** Adding starts from what is to be read. */
function AddCondition({ here, path, topic, depth }: { here: LevelHere; path: string; topic: string; depth: number }) {
  const edit = useEdit();
  const { choices, readingOf } = readingChoices(here);
  const add = (condition: Condition): void =>
    edit({ label: `${topic}: add a condition`, patch: [addAt(`${path}/of/-`, condition)] });
  return (
    <Menu
      trigger={
        <button type="button" className="link">
          + condition
        </button>
      }
      entries={[
        ...choices.map(({ value, label }) => ({ label, onSelect: () => add(conditionOn(readingOf(value), here)) })),
        ...(depth < MAX_CONDITION_DEPTH - 1
          ? ([
              'line',
              { label: 'a group of conditions', onSelect: () => add(groupOn({ reading: 'worth', of: 'any' }, here)) },
            ] as const)
          : []),
      ]}
    />
  );
}

function Group({ here, condition, path, topic, findings, depth = 0, onRemove }: Props) {
  const edit = useEdit();
  if (!('of' in condition)) return null;
  const joinChip = (
    <ChoiceChip
      label={`${topic}: how the conditions join`}
      value={condition.is}
      choices={Object.entries(GROUP_WORDS).map(([value, label]) => ({ value, label }))}
      onChoose={(is) =>
        edit({
          label: `${topic}: ${GROUP_WORDS[is as keyof typeof GROUP_WORDS]}`,
          patch: [replaceAt(`${path}/is`, is)],
        })
      }
    />
  );
  const last = condition.of.length - 1;
  return (
    <div>
      <div className="grid grid-cols-[auto_1fr] gap-x-1.5 gap-y-1">
        {condition.of.map((child, index) => (
          <div key={child.id} className="contents">
            {index === 0 ? joinChip : <span className="join text-right leading-6">{JOINS[condition.is]}</span>}
            <div className="flex min-w-0 flex-wrap items-center gap-x-1.5">
              <ConditionSentence
                here={here}
                condition={child}
                path={`${path}/of/${index}`}
                topic={topic}
                findings={findings}
                depth={depth + 1}
                onRemove={() =>
                  edit({ label: `${topic}: remove a condition`, patch: [removeAt(`${path}/of/${index}`)] })
                }
              />
              {index === last ? <AddCondition here={here} path={path} topic={topic} depth={depth} /> : null}
              {index === last ? <RemoveButton what={`${GROUP_WORDS[condition.is]} …`} onRemove={onRemove} /> : null}
            </div>
          </div>
        ))}
      </div>
      {last >= 0 ? null : (
        <div className="say">
          {joinChip}
          <span className="text-ink-3">nothing yet</span>
          <AddCondition here={here} path={path} topic={topic} depth={depth} />
          <RemoveButton what={`${GROUP_WORDS[condition.is]} …`} onRemove={onRemove} />
        </div>
      )}
      <FindingNotes findings={findings} at={(place) => place === path} />
    </div>
  );
}

function Leaf({ here, condition, path, topic, findings, onRemove }: Props) {
  const edit = useEdit();
  if ('of' in condition) return null;
  const { choices, readingOf } = readingChoices(here);
  const words = readingInWords(condition.reading, here.names);
  const { unit } = READINGS[condition.reading.reading];
  const changeReading = (reading: Reading): void => {
    const sameUnit =
      READINGS[reading.reading].unit === unit && condition.is === 'compare' && condition.amount.from === 'number';
    const next = sameUnit ? { ...condition, reading } : conditionOn(reading, here, condition.id);
    edit({ label: `${topic}: ${readingInWords(reading, here.names)}`, patch: [replaceAt(path, next)] });
  };
  const { reading } = condition;
  const shareOf =
    reading.reading === 'worth' || reading.reading === 'collected'
      ? { of: reading.of, measure: reading.reading === 'worth' ? ('worth' as const) : ('count' as const) }
      : undefined;
  const heldPath = `${path}/heldSeconds`;
  return (
    <div>
      <div className="say">
        {condition.is === 'onOff' && !condition.on ? <span className="join">not:</span> : null}
        <ChoiceChip
          label={`${topic}: what is read`}
          value={choiceOf(reading)}
          shown={words}
          choices={choices}
          onChoose={(value) => changeReading(readingOf(value))}
          extra={
            condition.is === 'onOff'
              ? [
                  {
                    label: condition.on ? 'is not so' : 'is so',
                    onSelect: () =>
                      edit({
                        label: `${topic}: ${condition.on ? 'not ' : ''}${words}`,
                        patch: [replaceAt(`${path}/on`, !condition.on)],
                      }),
                  },
                ]
              : []
          }
        />
        {condition.is === 'compare' ? (
          <>
            <ChoiceChip
              label={`${topic}: comparison`}
              value={condition.comparison}
              choices={COMPARISONS.map((value) => ({ value, label: comparisonInWords(reading, value) }))}
              onChoose={(comparison) =>
                edit({
                  label: `${topic}: ${words} ${comparisonInWords(reading, comparison as Comparison)}`,
                  patch: [replaceAt(`${path}/comparison`, comparison)],
                })
              }
            />
            <AmountChip
              here={here}
              label={words}
              amount={condition.amount}
              path={`${path}/amount`}
              step={1}
              min={0}
              whole={unit === 'count' || unit === 'lives'}
              {...(unit === 'seconds' ? { unit: 's' } : {})}
              {...(shareOf ? { shareOf } : {})}
            />
          </>
        ) : null}
        {condition.heldSeconds ? (
          <>
            <span className="join">for</span>
            <AmountChip
              here={here}
              label={`${words}: held for`}
              amount={condition.heldSeconds}
              path={heldPath}
              step={0.1}
              min={0}
              max={60}
              unit="s"
              onClear={() =>
                edit({
                  label: `${topic}: no holding time`,
                  patch: setOptional(heldPath, condition.heldSeconds, undefined),
                })
              }
            />
          </>
        ) : (
          <button
            type="button"
            className="link text-[12px]"
            aria-label={`${words}: hold for a time`}
            onClick={() =>
              edit({
                label: `${topic}: ${words} held for 0.5 s`,
                patch: setOptional(heldPath, undefined, { from: 'number', value: 0.5 }),
              })
            }
          >
            + for
          </button>
        )}
        {condition.is === 'compare' && condition.amount.from === 'number' && shareOf ? (
          <span className="text-ink-3">of {here.placed[shareOf.measure][shareOf.of] ?? 0} placed</span>
        ) : null}
        <RemoveButton what={words} onRemove={onRemove} />
      </div>
      <FindingNotes findings={findings} at={(place) => place === path} />
    </div>
  );
}
