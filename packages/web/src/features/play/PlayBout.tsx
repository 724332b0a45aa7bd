import {
  attemptByHand,
  makeBoutLevelWorld,
  makeBoutWorld,
  prepareBout,
  type ByHand,
  type BoutAttempt,
  type Choice,
  type PreparedBoutLevel,
} from '@stadion/core/bouts';
import { READINGS } from '@stadion/core/rules';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { addressOf, useSelection } from '../../project/hooks.ts';
import type { LevelHere } from '../../project/levelHere.ts';
import { BoutByHand } from '../../sentences/TryBout.tsx';
import { Button, formatNumber } from '../../ui/index.ts';
import { useShortcuts, type Shortcut } from '../../ui/shortcuts.ts';
import { End } from './End.tsx';
import { JudgePanel } from './JudgePanel.tsx';

/** Plays a level that a bout decides, every rule's truth beside it. */
export function PlayBout({ here, prepared }: { here: LevelHere; prepared: PreparedBoutLevel }) {
  const { position, level, slotId } = here;
  const { projectId } = useSelection();
  const navigate = useNavigate();
  const world = useMemo(() => makeBoutLevelWorld(prepared), [prepared]);
  const named = useMemo(() => namedWorld(here, prepared), [here, prepared]);
  const [round, setRound] = useState(0);
  const leave = useCallback(() => void navigate(addressOf(projectId, 'level', slotId)), [navigate, projectId, slotId]);
  const shortcuts = useMemo(
    (): Shortcut[] => [
      { keys: 'R', does: 'Restart', run: () => setRound((before) => before + 1) },
      { keys: 'Escape', does: 'Back to the level', run: leave },
    ],
    [leave],
  );
  useShortcuts(shortcuts);
  const play = useCallback(
    (seed: number, given: readonly Choice[], health: number) => attemptByHand(world, seed, given, { health }),
    [world],
  );
  const attemptOf = (by: ByHand): BoutAttempt => (by as ReturnType<typeof attemptByHand>).attempt;
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[46px] shrink-0 items-center gap-4 bg-bar px-3.5 text-bar-ink">
        <h1 className="min-w-24 truncate text-[15px]">
          {position}&ensp;{level.name}
        </h1>
        <span className="truncate text-[12px] text-bar-ink-2">{level.brief}</span>
        <div className="grow" />
        <Button look="bar" onClick={() => setRound(round + 1)}>
          Restart <kbd>R</kbd>
        </Button>
        <Button look="bar" onClick={leave}>
          Leave <kbd>Esc</kbd>
        </Button>
      </header>
      <main className="min-h-0 grow overflow-y-auto bg-sheet px-[22px] py-3">
        <BoutByHand
          key={round}
          world={named}
          play={play}
          said={{
            end: (by, again) => (
              <HowItEnded
                here={here}
                attempt={attemptOf(by)}
                onAgain={again}
                onLeave={leave}
                onGo={(next) => void navigate(addressOf(projectId, 'play', next))}
              />
            ),
            beside: (by) => (
              <section aria-label="Judge and counters">
                <h2 className="text-[14px]">Judge</h2>
                <Counters attempt={attemptOf(by)} />
                <JudgePanel here={here} state={attemptOf(by)} />
              </section>
            ),
          }}
        />
      </main>
    </div>
  );
}

/** The same fight with names, which no forecast needs. */
function namedWorld({ project, level, position, values }: LevelHere, { bout }: PreparedBoutLevel) {
  const group = project.bouts?.groups.find(({ id }) => id === level.bout?.group);
  if (!project.bouts || !group) return makeBoutWorld(bout);
  const named = prepareBout(project.bouts, {
    party: level.bout!.party.map(({ fighter }) => ({ fighter, level: 1 })),
    ...{ group, mayWithdraw: false, values, position, positions: project.slots.length },
  });
  const name = <T extends { name: string }>(list: readonly T[], names: readonly { name: string }[]): T[] =>
    list.map((entry, index) => ({ ...entry, name: names[index]?.name ?? '' }));
  return makeBoutWorld({
    ...bout,
    actions: name(bout.actions, named.actions),
    ours: name(bout.ours, named.ours),
    theirs: name(bout.theirs, named.theirs),
  });
}

function Counters({ attempt: { observed } }: { attempt: BoutAttempt }) {
  const score = READINGS.score.read(observed, 0);
  const left = READINGS.timeLeft.read(observed, 0);
  const counters: [string, string][] = [
    ['rounds', formatNumber(observed.rounds)],
    ['fallen', formatNumber(observed.fallen)],
    ['lives', formatNumber(observed.lives)],
    ['score', formatNumber(score)],
    ...(Number.isFinite(left) ? [['time left', `${left.toFixed(1)} s`] as [string, string]] : []),
  ];
  return (
    <dl className="num flex gap-4 py-1 text-[12.5px]">
      {counters.map(([name, value]) => (
        <div key={name} className="flex gap-1.5">
          <dt className="text-ink-2">{name}</dt>
          <dd className="font-semibold">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

interface EndProps {
  here: LevelHere;
  attempt: BoutAttempt;
  onAgain: () => void;
  onLeave: () => void;
  onGo: (slotId: string) => void;
}

function HowItEnded({ here, attempt, onAgain, onLeave, onGo }: EndProps) {
  if (attempt.phase === 'undecided')
    return (
      <div role="alert" className="my-2 max-w-[560px] border border-t-4 border-line-strong border-t-loss p-4">
        <p className="text-[21px] font-[680]">The bout is over, and no rule ended the level.</p>
        <p className="my-1.5 text-ink-2">
          Say when it is won and when it is lost: as it is, players would wait here for ever.
        </p>
        <Button look="main" onClick={onAgain}>
          Again
        </Button>
      </div>
    );
  return (
    <End
      here={here}
      state={{ ...attempt, tick: attempt.ticks }}
      onRestart={onAgain}
      onLeave={onLeave}
      onGo={onGo}
      inline
    />
  );
}
