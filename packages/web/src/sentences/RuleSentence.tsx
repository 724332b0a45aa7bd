import type { Finding } from '@stadion/core/authoring/findings';
import { literal, type Rule } from '@stadion/core/document/model';
import { ruleInWords } from '@stadion/core/play/rules';
import { MoreHorizontal, Rows3 } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import {
  addAt,
  at,
  duplicateRule,
  makeStanding,
  moveRule,
  namesPieces,
  removeRule,
  replaceAt,
  replaceStanding,
  switchRule,
  switchStanding,
} from '@stadion/core/authoring/edits';
import { useEdit } from '../store/hooks.ts';
import { mintId } from '../store/mintId.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { ChoiceChip, Menu, type MenuEntry } from '../ui/index.ts';
import { AmountChip } from './AmountChip.tsx';
import { ConditionSentence } from './ConditionSentence.tsx';
import { EdgeTable } from './EdgeTable.tsx';
import { newEffects } from './effects.ts';
import { FindingNotes } from './FindingNote.tsx';
import { NoteOf } from './NoteOf.tsx';
import { EffectSentence } from './EffectSentence.tsx';
import { topicOf, type ShownRule } from './ruleTopics.ts';

interface Props {
  here: LevelContext;
  shown: ShownRule;
  /** The list in which it stands. */
  list: readonly Rule[];
  findings: readonly Finding[];
  /** Shown where every level is meant, not the one at hand. */
  everywhere?: boolean;
}

const TOPICS = { won: 'Won when', lost: 'Lost when', milestone: 'Milestone' } as const;
const FIRES = [
  { value: 'once', label: 'once' },
  { value: 'eachTime', label: 'each time' },
  { value: 'every', label: 'again and again' },
];

/** One rule: its condition, what follows, how often, and what can be done with it. */
export function RuleSentence({ here, shown, list, findings, everywhere = false }: Props) {
  const edit = useEdit();
  const [table, setTable] = useState(false);
  const { rule, path, standing, state, insteadOf } = shown;
  const pointer = at(...path);
  const topic = TOPICS[topicOf(rule)];
  const what = ruleInWords(rule, here.names);
  const index = list.findIndex((other) => other.id === rule.id);
  const move = (to: number): void => {
    if (to >= 0 && to < list.length) edit(moveRule(path, list, to, what));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    event.stopPropagation();
    move(index + (event.key === 'ArrowUp' ? -1 : 1));
  };
  // Under “Won when” it need not be said.
  const onlyWins = rule.then.length === 1 && rule.then[0]?.effect === 'win';
  const follows = (
    <>
      {onlyWins ? null : (
        <>
          <span className="join">→</span>
          {rule.then.map((effect, at) => (
            <EffectSentence
              key={at}
              here={here}
              rule={rule}
              effect={effect}
              path={`${pointer}/then/${at}`}
              removable={rule.then.length > 1}
            />
          ))}
          <Fires here={here} shown={shown} pointer={pointer} />
        </>
      )}
      <AlsoFollows here={here} topic={topic} pointer={pointer} />
    </>
  );
  const isOff = state !== 'in force';
  const note = <NoteOf what={what} path={`${pointer}/note`} note={rule.note} />;
  return (
    <div
      role="group"
      aria-label={`${topic}: ${what}${isOff ? ', switched off' : ''}`}
      className={`act-row rounded-r ${isOff ? 'rule-off' : ''}`}
      onKeyDown={onKeyDown}
    >
      <div className="flex items-start gap-1.5">
        {/* The effects of a single condition stand on its line; after a group it begins a line of its own. */}
        <div className="min-w-0 grow">
          <ConditionSentence
            here={here}
            condition={rule.when}
            path={`${pointer}/when`}
            topic={topic}
            findings={findings}
            {...('of' in rule.when ? {} : { follows })}
          />
          {'of' in rule.when ? <div className="say pl-3">{follows}</div> : null}
        </div>
        {rule.note === undefined ? null : note}
        <Marks shown={shown} everywhere={everywhere} />
        <div className="act-end">
          {rule.note === undefined ? note : null}
          <button
            type="button"
            className="rest rounded-r p-1 text-ink-3 hover:bg-edit-soft hover:text-edit-ink"
            aria-expanded={table}
            aria-label={`Edge cases: ${what}`}
            title="Edge cases"
            onClick={() => setTable(!table)}
          >
            <Rows3 size={15} />
          </button>
          <Menu
            trigger={
              <button
                type="button"
                className="rounded-r p-1 text-ink-3 hover:bg-edit-soft hover:text-edit-ink"
                aria-label={`What to do with: ${what}`}
              >
                <MoreHorizontal size={15} />
              </button>
            }
            entries={[
              { label: 'Move up', keys: 'Alt ↑', disabled: index === 0, onSelect: () => move(index - 1) },
              {
                label: 'Move down',
                keys: 'Alt ↓',
                disabled: index >= list.length - 1,
                onSelect: () => move(index + 1),
              },
              'line',
              ...commands({ here, shown, everywhere, edit, what }),
              {
                label: insteadOf
                  ? 'Remove, the standing rule holds again'
                  : standing
                    ? 'Remove from every level'
                    : 'Remove',
                onSelect: () => edit(removeRule(here.project, path, what)),
              },
            ]}
          />
        </div>
      </div>
      <FindingNotes findings={findings} at={(place) => place === pointer || place.startsWith(`${pointer}/then`)} />
      {table && !isOff ? <EdgeTable here={here} rule={rule} /> : null}
    </div>
  );
}

/** Something more that follows from a rule. */
function AlsoFollows({ here, topic, pointer }: { here: LevelContext; topic: string; pointer: string }) {
  const edit = useEdit();
  return (
    <Menu
      trigger={
        <button type="button" className="act link text-[12px]" aria-label={`+ also, ${topic}`}>
          + also
        </button>
      }
      entries={newEffects(here).map(({ label, effect }) => ({
        label,
        onSelect: () => edit({ label: `${topic}: ${label}, too`, patch: [addAt(`${pointer}/then/-`, effect)] }),
      }))}
    />
  );
}

function Marks({ shown, everywhere }: { shown: ShownRule; everywhere: boolean }) {
  const { standing, state, insteadOf } = shown;
  const words = [
    standing && !everywhere ? 'standing' : '',
    insteadOf ? 'instead of a standing rule' : '',
    state === 'in force' ? '' : state,
  ].filter(Boolean);
  if (words.length === 0) return null;
  return (
    <span className="rounded-r bg-band px-1.5 text-[11.5px] leading-6 whitespace-nowrap text-ink-2">
      {words.join(', ')}
    </span>
  );
}

function Fires({ here, shown, pointer }: { here: LevelContext; shown: ShownRule; pointer: string }) {
  const edit = useEdit();
  const { rule } = shown;
  if (rule.then.every((effect) => effect.effect === 'win' || effect.effect === 'lose')) return null;
  return (
    <>
      <ChoiceChip
        label="How often it fires"
        rest={rule.fires === usualFires(rule)}
        value={rule.fires}
        choices={FIRES}
        onChoose={(fires) =>
          edit({
            label: `Fires ${FIRES.find((entry) => entry.value === fires)?.label ?? fires}`,
            patch: [
              replaceAt(`${pointer}/fires`, fires),
              ...(fires === 'every' && !rule.everySeconds ? [addAt(`${pointer}/everySeconds`, literal(1))] : []),
            ],
          })
        }
      />
      {rule.fires === 'every' ? (
        <>
          <span className="join">every</span>
          <AmountChip
            here={here}
            label="Fires every"
            amount={rule.everySeconds ?? literal(1)}
            path={`${pointer}/everySeconds`}
            step={0.1}
            min={0.1}
            max={600}
            unit="s"
          />
        </>
      ) : null}
    </>
  );
}

/** How often rules of such effects mostly fire: this need not be said. */
const usualFires = (rule: Rule): Rule['fires'] =>
  rule.then.some(({ effect }) => effect === 'loseLife') ? 'eachTime' : 'once';

interface CommandsOf {
  here: LevelContext;
  shown: ShownRule;
  everywhere: boolean;
  edit: ReturnType<typeof useEdit>;
  what: string;
}

/** Copying and switching, for an own and for a standing rule. */
function commands({ here, shown, everywhere, edit, what }: CommandsOf): MenuEntry[] {
  const { project, level } = here;
  const { rule, path, standing, state, insteadOf } = shown;
  if (standing) {
    const everywhereSwitch: MenuEntry = {
      label: rule.off ? 'Switch on in every level' : 'Switch off in every level',
      onSelect: () => edit(switchRule(path, rule, rule.off === true, what)),
    };
    if (everywhere) return [everywhereSwitch];
    return [
      {
        label: state === 'off here' ? 'Switch on here' : 'Switch off here',
        disabled: state === 'off',
        onSelect: () => edit(switchStanding(level, rule.id, state === 'off here', what)),
      },
      {
        label: 'Replace here by a rule of its own',
        disabled: state !== 'in force',
        onSelect: () => edit(replaceStanding(project, level, rule, what, mintId)),
      },
      everywhereSwitch,
    ];
  }
  return [
    { label: 'Duplicate', onSelect: () => edit(duplicateRule(project, level, rule.id, what, mintId)) },
    {
      label: rule.off ? 'Switch on' : 'Switch off',
      onSelect: () => edit(switchRule(path, rule, rule.off === true, what)),
    },
    {
      label: 'Let it hold in every level',
      disabled: namesPieces(rule) || insteadOf !== undefined,
      ...(namesPieces(rule) ? { note: 'names a piece of this one' } : {}),
      onSelect: () => edit(makeStanding(project, level, rule.id, what)),
    },
  ];
}
