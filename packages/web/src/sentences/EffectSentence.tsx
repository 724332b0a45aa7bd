import type { Effect, Rule } from '@stadion/core/document/model';
import { causeInWords, effectInWords, leaves, readingInWords } from '@stadion/core/play/rules';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { removeAt, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import { useEdit } from '../store/hooks.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { ChoiceChip, Menu, TextInPlace } from '../ui/index.ts';
import { AmountChip } from './AmountChip.tsx';
import { EFFECT_LABELS, hiddenChoices, losable, newEffects, pieceChoices, waveChoices } from './effects.ts';

interface Props {
  here: LevelContext;
  rule: Rule;
  effect: Effect;
  /** JSON pointer to the effect. */
  path: string;
  /** Absent where it is the only one. */
  removable: boolean;
}

const BACK = [
  { value: 'start', label: 'back at the start' },
  { value: 'checkpoint', label: 'back at the last checkpoint' },
  { value: 'stay', label: 'on the spot' },
];

/** Effects of a rule, as chips. */
export function EffectSentence(props: Props) {
  const edit = useEdit();
  const { here, path, effect, removable } = props;
  return (
    <span className="contents">
      {partsOf(props)}
      {removable ? (
        <button
          type="button"
          className="rest rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
          aria-label={`Remove: ${effectInWords(effect, here.names)}`}
          onClick={() => edit({ label: 'Remove what follows from a rule', patch: [removeAt(path)] })}
        >
          <X size={13} />
        </button>
      ) : null}
    </span>
  );
}

function partsOf({ here, rule, effect, path }: Props): ReactNode {
  const word = (text: string): ReactNode => <span className="join">{text}</span>;
  /** The word that says what follows: another one can be chosen in its place. */
  const verb = (text: string): ReactNode => <Verb here={here} effect={effect} path={path} shown={text} />;
  switch (effect.effect) {
    case 'win':
      return verb('it is won');
    case 'lose':
      return (
        <>
          {verb('it is lost:')}
          <Words label="Cause told to the player" value={effect.cause} path={`${path}/cause`} most={80} />
        </>
      );
    case 'loseLife': {
      const first = leaves(rule.when)[0]?.leaf.reading;
      const what = first ? readingInWords(first, here.names) : 'this';
      return (
        <>
          {verb('costs')}
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
          {word(effect.lives.from === 'number' && effect.lives.value === 1 ? 'life,' : 'lives,')}
          <Choice label="Where the player goes on" value={effect.back} choices={BACK} path={`${path}/back`} />
          <Losses here={here} effect={effect} path={path} />
          <LifeCause here={here} rule={rule} cause={effect.cause} path={`${path}/cause`} />
        </>
      );
    }
    case 'back':
      return (
        <>
          {verb(`puts the ${here.project.words.player} back to`)}
          <Choice
            label="Where the player is put"
            value={effect.to}
            choices={[
              { value: 'start', label: 'the start' },
              { value: 'checkpoint', label: 'the last checkpoint' },
            ]}
            path={`${path}/to`}
          />
        </>
      );
    case 'gate':
      return (
        <>
          {verb('the gate')}
          <Choice label="Gate" value={effect.gate} choices={pieceChoices(here, 'gate')} path={`${path}/gate`} />
          <Choice
            label="Opens or closes"
            value={effect.open ? 'opens' : 'closes'}
            choices={[
              { value: 'opens', label: 'opens' },
              { value: 'closes', label: 'closes' },
            ]}
            path={`${path}/open`}
            toValue={(value) => value === 'opens'}
          />
        </>
      );
    case 'wave':
      return (
        <>
          {verb('sends the wave of')}
          <Choice label="Wave" value={effect.spawner} choices={waveChoices(here)} path={`${path}/spawner`} />
        </>
      );
    case 'reveal':
      return (
        <>
          {verb('reveals')}
          <Choice label="Hidden piece" value={effect.piece} choices={hiddenChoices(here)} path={`${path}/piece`} />
        </>
      );
    case 'parameter':
      return (
        <>
          {verb('changes')}
          <Choice
            label="Parameter that changes"
            value={effect.parameter}
            choices={here.project.parameters.map(({ key, label }) => ({ value: key, label }))}
            path={`${path}/parameter`}
          />
          <Choice
            label="How it changes"
            value={effect.change}
            choices={[
              { value: 'times', label: '×' },
              { value: 'plus', label: '+' },
              { value: 'set', label: 'becomes' },
            ]}
            path={`${path}/change`}
          />
          <AmountChip here={here} label="By how much" amount={effect.by} path={`${path}/by`} step={0.05} />
          {word('for the rest of the attempt')}
        </>
      );
    case 'message':
      return (
        <>
          {verb('says')}
          <Words label="Message" value={effect.text} path={`${path}/text`} most={400} />
          {word('for')}
          <AmountChip
            here={here}
            label="Message shown for"
            amount={effect.seconds}
            path={`${path}/seconds`}
            step={0.5}
            min={0}
            max={60}
            unit="s"
          />
        </>
      );
    case 'cue':
      return (
        <>
          {verb('cues')}
          <Words label="Name of the cue" value={effect.name} path={`${path}/name`} most={80} />
          <CuePlace here={here} at={effect.at} path={path} />
        </>
      );
    case 'score':
      return (
        <>
          {verb('adds')}
          <AmountChip here={here} label="Points added" amount={effect.add} path={`${path}/add`} step={5} />
          {word('to the score')}
        </>
      );
    case 'tally':
      return (
        <>
          {verb('counts')}
          <AmountChip here={here} label="Added to the tally" amount={effect.add} path={`${path}/add`} step={1} />
          {word('more in')}
          <Choice
            label="Tally"
            value={effect.tally}
            choices={here.project.tallies.map(({ id, name }) => ({ value: id, label: `“${name}”` }))}
            path={`${path}/tally`}
          />
        </>
      );
    case 'heal':
    case 'hurt':
      return (
        <>
          {verb(effect.effect === 'heal' ? 'heals' : 'hurts by')}
          <AmountChip here={here} label="Health" amount={effect.by} path={`${path}/by`} step={5} min={0} />
        </>
      );
  }
}

/** The verb of a consequence: another one can be chosen in its place. */
function Verb({ here, effect, path, shown }: { here: LevelContext; effect: Effect; path: string; shown: string }) {
  const edit = useEdit();
  const others = newEffects(here);
  const choices = [
    ...(others.some((other) => other.effect.effect === effect.effect)
      ? []
      : [{ value: effect.effect, label: EFFECT_LABELS[effect.effect] }]),
    ...others.map((other) => ({ value: other.effect.effect, label: other.label })),
  ];
  return (
    <ChoiceChip
      label="What follows"
      value={effect.effect}
      shown={shown}
      choices={choices}
      onChoose={(value) => {
        const chosen = others.find((other) => other.effect.effect === value);
        if (chosen) edit({ label: `What follows: ${chosen.label}`, patch: [replaceAt(path, chosen.effect)] });
      }}
    />
  );
}

function Words({ label, value, path, most }: { label: string; value: string; path: string; most: number }) {
  const edit = useEdit();
  return (
    <TextInPlace
      label={label}
      className="chip"
      value={value}
      refuse={(text) =>
        text === '' ? 'This needs words.' : text.length > most ? `At most ${most} characters.` : undefined
      }
      onCommit={(text) => edit({ label: `${label}: ${text}`, patch: [replaceAt(path, text)] })}
    />
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  choices: readonly { value: string; label: string }[];
  path: string;
  toValue?: (value: string) => unknown;
}

function Choice({ label, value, choices, path, toValue = (chosen) => chosen }: ChoiceProps) {
  const edit = useEdit();
  return (
    <ChoiceChip
      label={label}
      value={value}
      choices={choices}
      onChoose={(chosen) =>
        edit({
          label: `${label}: ${choices.find((entry) => entry.value === chosen)?.label ?? chosen}`,
          patch: [replaceAt(path, toValue(chosen))],
        })
      }
    />
  );
}

/** The name of a lost life in endings and forecasts. */
function LifeCause({
  here,
  rule,
  cause,
  path,
}: {
  here: LevelContext;
  rule: Rule;
  cause: string | undefined;
  path: string;
}) {
  const edit = useEdit();
  const has = cause !== undefined;
  return (
    <>
      {has ? <span className="join">called</span> : null}
      <TextInPlace
        label="Cause of the lost life"
        className={has ? 'chip' : 'rest link text-[12px]'}
        value={cause ?? ''}
        placeholder={`called “${causeInWords(rule, here.names)}”`}
        refuse={(text) => (text.length > 80 ? 'At most 80 characters.' : undefined)}
        onCommit={(text) =>
          edit({
            label: text === '' ? 'No name of its own for the lost life' : `A lost life is called ${text}`,
            patch: setOptional(path, cause, text === '' ? undefined : text),
          })
        }
      />
    </>
  );
}

function Losses({
  here,
  effect,
  path,
}: {
  here: LevelContext;
  effect: Extract<Effect, { effect: 'loseLife' }>;
  path: string;
}) {
  const edit = useEdit();
  const choices = losable(here.project);
  const names = effect.resets.map((name) => choices.find((entry) => entry.value === name)?.label ?? name);
  return (
    <Menu
      trigger={
        <button
          type="button"
          className={names.length === 0 ? 'rest link text-[12px]' : 'chip'}
          aria-label={`With the life: ${names.length === 0 ? 'keeping all' : `undoing ${names.join(', ')}`}`}
        >
          {names.length === 0 ? 'keeping all' : `undoing ${names.join(', ')}`}
        </button>
      }
      entries={choices.map(({ value, label }) => {
        const isLost = effect.resets.includes(value);
        return {
          label: `${isLost ? '✓ ' : ''}${label}`,
          note: isLost ? 'undone' : 'kept',
          onSelect: () =>
            edit({
              label: `With a life ${isLost ? 'is kept' : 'is lost'}: ${label}`,
              patch: [
                replaceAt(
                  `${path}/resets`,
                  isLost ? effect.resets.filter((name) => name !== value) : [...effect.resets, value],
                ),
              ],
            }),
        };
      })}
    />
  );
}

function CuePlace({ here, at: place, path }: { here: LevelContext; at: string | undefined; path: string }) {
  const edit = useEdit();
  const choices = [{ value: '', label: 'everywhere' }, ...pieceChoices(here, 'goal', 'zone')];
  if (choices.length === 1) return null;
  return (
    <>
      <span className="join">{place === undefined ? '' : 'at'}</span>
      <ChoiceChip
        label="Where the cue shows"
        value={place ?? ''}
        choices={choices}
        onChoose={(value) =>
          edit({
            label: 'Where the cue shows',
            patch:
              value === ''
                ? [removeAt(`${path}/at`)]
                : [{ op: place === undefined ? 'add' : 'replace', path: `${path}/at`, value }],
          })
        }
      />
    </>
  );
}
