import {
  healthShare,
  leftOf,
  playedByHand,
  type BoutWorld,
  type ByHand,
  type Choice,
  type Struck,
  type Turn,
} from '@stadion/core/play/bouts';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { Button, formatNumber, NumberChip } from '../ui/index.ts';
import { namesIn } from './boutNames.ts';

const ENDS = {
  playing: '',
  won: 'Won.',
  lost: 'Lost: all of ours have fallen.',
  endless: 'Nobody wins: after 200 rounds it is over.',
  withdrawn: 'Left.',
};

/** One number as it came about. */
function strikeInWords(
  { hits, strength, spread, share, amount, left, falls }: Struck,
  name: string,
  heals: boolean,
): string {
  if (!hits) return `misses ${name}`;
  const made = [
    Number.isFinite(strength) ? formatNumber(strength) : 'no number',
    ...(spread === 1 ? [] : [`× ${formatNumber(spread)}`]),
    ...(share === 1 ? [] : [`× ${Math.round(share * 100)} %`]),
  ].join(' ');
  const said = heals ? `heals ${name} by ${amount}` : `${name} loses ${amount}`;
  return `${said} (${made}), ${formatNumber(left)} left${falls ? ', falls' : ''}`;
}

interface Props {
  /** With names. */
  world: BoutWorld;
  /** Plays the bout by the choices until now; by itself, without rules, when absent. */
  play?: (seed: number, given: readonly Choice[], health: number) => ByHand;
  /** Its seed and the health of ours can be chosen. */
  free?: boolean;
  /** An attempt that is shown at first, as it was played. */
  shown?: { seed: number; given: readonly Choice[] };
  /** Words after its end; words beside it at all times; acts in place of a choice. */
  said?: {
    end: (by: ByHand, again: () => void) => ReactNode;
    beside?: (by: ByHand) => ReactNode;
    instead?: ReactNode;
  };
}

/** A bout by hand, once it is asked for. */
export function TryBout({ world }: { world: BoutWorld }) {
  const [open, setOpen] = useState(false);
  return open ? (
    <BoutByHand world={world} />
  ) : (
    <div className="py-1.5">
      <Button onClick={() => setOpen(true)}>Try it by hand</Button>
    </div>
  );
}

/** A bout by hand: choices by number keys, what happened and why below. The same seed and choices give the same bout. */
export function BoutByHand({ world, play, said, free = true, shown }: Props) {
  const [seed, setSeed] = useState(shown?.seed ?? 1);
  const [health, setHealth] = useState(1);
  const [given, setGiven] = useState<readonly Choice[]>(shown?.given ?? []);
  const names = namesIn(world);
  const by = useMemo(
    () => (play ? play(seed, given, health) : playedByHand(world, seed, given, health)),
    [world, play, seed, given, health],
  );
  const { state, turns, asks } = by;
  const box = useRef<HTMLDivElement>(null);
  const again = (): void => setGiven([]);
  // Number keys choose at once, at the beginning and after each new one.
  useEffect(() => {
    if (given.length === 0) box.current?.focus();
  }, [given]);
  const choose = (index: number): void => {
    const option = asks?.options[index];
    if (!option) return;
    setGiven([...given, { use: option.use, target: option.target }]);
    box.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'Backspace') {
      event.preventDefault();
      event.stopPropagation();
      setGiven(given.slice(0, -1));
    }
    if (!/^[0-9]$/.test(event.key) || event.target !== box.current) return;
    event.preventDefault();
    event.stopPropagation();
    // 0 is the tenth.
    choose((Number(event.key) + 9) % 10);
  };
  const heals = (turn: Turn): boolean => turn.action !== null && world.bout.actions[turn.action]?.does === 'heal';
  const optionName = ({ index, target }: { index: number; target: number }): string =>
    `${world.bout.actions[index]?.name} → ${target >= 0 ? names[target] : 'all'}`;
  return (
    <div
      ref={box}
      role="group"
      aria-label="A bout by hand"
      tabIndex={0}
      onKeyDown={onKeyDown}
      className={`my-2 border border-line-strong p-3 ${said?.beside ? 'flex gap-5' : 'max-w-[1100px]'}`}
    >
      <div className="min-w-0 grow">
        <div className="flex items-baseline gap-3">
          <b>By hand</b>
          {free ? (
            <>
              {' '}
              <span className="say text-[12px]">
                Seed{' '}
                <NumberChip
                  label="Seed of the bout"
                  value={seed}
                  step={1}
                  min={1}
                  max={0xffffffff}
                  whole
                  onCommit={(next) => {
                    setSeed(next);
                    setGiven([]);
                  }}
                />
              </span>
              <span className="say text-[12px]">
                Health of ours{' '}
                <NumberChip
                  label="Health that the party comes with"
                  value={health}
                  scale={100}
                  unit="%"
                  step={0.1}
                  min={0.01}
                  max={1}
                  onCommit={(next) => {
                    setHealth(next);
                    setGiven([]);
                  }}
                />
              </span>
            </>
          ) : null}{' '}
          <span className="grow text-[12px] text-ink-3">
            Number keys choose, <kbd>Backspace</kbd> takes the last choice back.
          </span>
          <Button onClick={again}>Again</Button>
        </div>
        <p className="num py-1.5 text-[12px]">
          {names.map((name, index) => (
            <span key={name} className={`mr-4 whitespace-nowrap ${index < world.ours ? 'text-win' : 'text-loss'}`}>
              {name} <b>{formatNumber(leftOf(state, index))}</b>{' '}
              <span className="text-ink-3">{Math.round(healthShare(state, index) * 100)} %</span>
            </span>
          ))}
        </p>
        {asks ? (
          <div className="flex flex-wrap items-center gap-1.5" role="status">
            <span>
              Round {state.round + 1}. <b>{names[asks.fighter]}</b>:
            </span>
            {asks.options.map((option, index) => (
              <Button key={`${option.use} ${option.target}`} onClick={() => choose(index)}>
                {index < 10 ? <kbd>{(index + 1) % 10}</kbd> : null} {optionName(option)}
              </Button>
            ))}
            {said?.instead}
          </div>
        ) : said ? (
          said.end(by, again)
        ) : (
          <p role="status" className="font-semibold">
            {ENDS[state.phase]} {state.round} rounds.
          </p>
        )}
        <ol className={`mt-2 overflow-y-auto text-[12px] ${said ? '' : 'max-h-[220px]'}`} aria-label="What happened">
          {turns.toReversed().map((turn, index) => (
            <li key={turns.length - index} className="border-t border-line py-0.5">
              <span className="text-ink-3">Round {turn.round}</span> <b>{names[turn.actor]}</b>{' '}
              {turn.action === null
                ? 'can do nothing.'
                : `${world.bout.actions[turn.action]?.name}: ${turn.struck
                    .map((each) => strikeInWords(each, names[each.target] ?? '', heals(turn)))
                    .join('; ')}.`}
            </li>
          ))}
        </ol>
      </div>
      {said?.beside ? <aside className="w-[330px] shrink-0 border-l border-line pl-4">{said.beside(by)}</aside> : null}
    </div>
  );
}
