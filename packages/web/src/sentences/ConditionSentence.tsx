import {
  freshId,
  literal,
  MAX_CONDITION_DEPTH,
  type Comparison,
  type Condition,
  type GroupKind,
  type Reading,
} from '@stadion/core/document/model';
import { COMPARISON_WORDS, comparisonInWords, READINGS, readingInWords } from '@stadion/core/play/rules';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Finding } from '@stadion/core/authoring/findings';
import {
  addAt,
  joinCondition,
  removeAt,
  replaceAt,
  setOptional,
  takenConditions,
  type Join,
  type Within,
} from '@stadion/core/authoring/edits';
import { FindingNotes } from './FindingNote.tsx';
import { useEdit } from '../store/hooks.ts';
import { ChoiceChip, Menu } from '../ui/index.ts';
import { lengthLimits, SHARE_LIMITS } from './lengths.ts';
import { AmountChip } from './AmountChip.tsx';
import { choiceOf, conditionOn, groupOn, readingChoices } from './conditions.ts';
import type { LevelContext } from '../readings/levelContext.ts';

interface Props {
  here: LevelContext;
  condition: Condition;
  /** JSON pointer to the condition. */
  path: string;
  /** Name of the list of rules: “Won when”. */
  topic: string;
  findings: readonly Finding[];
  depth?: number;
  /** The group in which it stands, if it stands in one. */
  within?: Within;
  /** The consequences of a single condition, shown on its line. */
  follows?: ReactNode;
  /** Absent where the condition cannot be taken away. */
  onRemove?: () => void;
}

const GROUP_WORDS: Readonly<Record<GroupKind, string>> = {
  all: 'all of',
  any: 'any of',
  none: 'none of',
  atLeast: 'at least',
  inOrder: 'in order:',
};
/** Word between the conditions of a group; conditions in order have numbers. */
const JOINS: Readonly<Record<GroupKind, string>> = { all: 'and', any: 'or', none: 'nor', atLeast: 'or', inOrder: '' };
const COMPARISONS = Object.keys(COMPARISON_WORDS) as Comparison[];

/** A condition as an indented sentence of chips. */
export function ConditionSentence(props: Props): ReactNode {
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
      className="rest rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
      aria-label={`Remove: ${what}`}
      onClick={onRemove}
    >
      <X size={13} />
    </button>
  );
}

/** “and…” and “or…” after a condition: another one that joins it. */
function Joins({ here, condition, path, topic, depth = 0, within }: Props) {
  const edit = useEdit();
  const { choices, readingOf } = readingChoices(here);
  const join = (how: Join, value: string): void => {
    const added = conditionOn(readingOf(value), here);
    const groupId = freshId('group', new Set([...takenConditions(here.level), added.id]));
    edit({
      label: `${topic}: ${how} ${readingInWords(readingOf(value), here.names)}`,
      patch: joinCondition({ condition, path, within, depth }, how, added, groupId),
    });
  };
  return (['and', 'or'] as const).map((how) =>
    depth >= MAX_CONDITION_DEPTH && within?.is !== (how === 'and' ? 'all' : 'any') ? null : (
      <Menu
        key={how}
        trigger={
          <button
            type="button"
            className="act link text-[12px]"
            aria-label={`${how}… after: ${wordsOf(condition, here)}`}
          >
            {how}…
          </button>
        }
        entries={choices.map(({ value, label }) => ({ label, onSelect: () => join(how, value) }))}
      />
    ),
  );
}

/** The name of a condition in the labels of its acts. */
const wordsOf = (condition: Condition, here: LevelContext): string =>
  'of' in condition ? `${GROUP_WORDS[condition.is]} …` : readingInWords(condition.reading, here.names);

/** Adding starts from what is to be read. */
function AddCondition({
  here,
  path,
  topic,
  depth,
}: {
  here: LevelContext;
  path: string;
  topic: string;
  depth: number;
}) {
  const edit = useEdit();
  const { choices, readingOf } = readingChoices(here);
  const add = (condition: Condition): void =>
    edit({ label: `${topic}: add a condition`, patch: [addAt(`${path}/of/-`, condition)] });
  return (
    <Menu
      trigger={
        <button type="button" className="act link">
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
  const { is } = condition;
  const choose = (next: string): void =>
    edit({
      label: `${topic}: ${GROUP_WORDS[next as GroupKind]}`,
      patch: [
        replaceAt(`${path}/is`, next),
        ...(next === 'atLeast' && !condition.count ? [addAt(`${path}/count`, literal(2))] : []),
      ],
    });
  const join = (
    <span className="inline-flex items-center gap-1 self-start">
      <ChoiceChip
        label={`${topic}: how the conditions join`}
        value={is}
        shown={GROUP_WORDS[is]}
        choices={Object.entries(GROUP_WORDS).map(([value, label]) => ({
          value,
          label: value === 'atLeast' ? 'at least … of' : label,
        }))}
        onChoose={choose}
      />
      {is === 'atLeast' ? (
        <>
          <AmountChip
            here={here}
            label={`${topic}: how many it takes`}
            amount={condition.count ?? literal(1)}
            path={`${path}/count`}
            step={1}
            min={0}
            max={condition.of.length}
            whole
            quiet
          />
          <span className="join">of</span>
        </>
      ) : null}
    </span>
  );
  const last = condition.of.length - 1;
  const remove = <RemoveButton what={`${GROUP_WORDS[is]} …`} onRemove={onRemove} />;
  return (
    <div className={depth > 0 ? 'my-0.5 border-l-2 border-edit-line pl-2' : ''}>
      <div className="grid grid-cols-[auto_1fr] gap-x-1.5 gap-y-1">
        {condition.of.map((child, index) => (
          <div key={child.id} className="contents">
            {index === 0 ? (
              join
            ) : (
              <span className="join text-right leading-6">{is === 'inOrder' ? 'then' : JOINS[is]}</span>
            )}
            <div className="flex min-w-0 flex-wrap items-center gap-x-1.5">
              {is === 'inOrder' ? <span className="join self-start leading-6">{index + 1}.</span> : null}
              <ConditionSentence
                here={here}
                condition={child}
                path={`${path}/of/${index}`}
                topic={topic}
                findings={findings}
                depth={depth + 1}
                within={{ is, path, index }}
                onRemove={() =>
                  edit({ label: `${topic}: remove a condition`, patch: [removeAt(`${path}/of/${index}`)] })
                }
              />
              {index === last ? <AddCondition here={here} path={path} topic={topic} depth={depth} /> : null}
              {index === last ? remove : null}
            </div>
          </div>
        ))}
      </div>
      {last >= 0 ? null : (
        <div className="say">
          {join}
          <span className="text-ink-3">nothing yet</span>
          <AddCondition here={here} path={path} topic={topic} depth={depth} />
          {remove}
        </div>
      )}
      <FindingNotes findings={findings} at={(place) => place === path} />
    </div>
  );
}

function Leaf({ here, condition, path, topic, findings, depth = 0, within, follows, onRemove }: Props) {
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
              {...(unit === 'length' ? { ...lengthLimits(here.project), step: 0.5 } : {})}
              {...(unit === 'share' ? SHARE_LIMITS : {})}
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
            className="rest link text-[12px]"
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
        {follows}
        <Joins {...{ here, condition, path, topic, findings, depth, within }} />
        <RemoveButton what={words} onRemove={onRemove} />
      </div>
      <FindingNotes findings={findings} at={(place) => place === path || place.startsWith(`${path}/`)} />
    </div>
  );
}
