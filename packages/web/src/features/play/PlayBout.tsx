import { briefOf } from '@stadion/core/play/attempt';
import {
  attemptByHand,
  makeBoutLevelWorld,
  makeBoutWorld,
  meetingOf,
  prepareBout,
  type ByHand,
  type BoutAttempt,
  type Choice,
  type PreparedBoutLevel,
} from '@stadion/core/play/bouts';
import { effectInWords, READINGS } from '@stadion/core/play/rules';
import { recordedChoices } from '@stadion/core/forecast/trials';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { addressOf, useSelection } from '../../address/address.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { BoutByHand } from '../../sentences/TryBout.tsx';
import { Button, formatNumber } from '../../ui/index.ts';
import { useShortcuts, type Shortcut } from '../../ui/shortcuts.ts';
import { End } from './End.tsx';
import { JudgePanel } from './JudgePanel.tsx';
import { PlayHead } from './PlayHead.tsx';
import { useWatchedAttempt } from './useWatchedAttempt.ts';

/** Plays a level that a bout decides, every rule's truth beside it. */
export function PlayBout({ here, prepared }: { here: LevelContext; prepared: PreparedBoutLevel }) {
  const { level, slotId } = here;
  const { projectId } = useSelection();
  const navigate = useNavigate();
  const world = useMemo(() => makeBoutLevelWorld(prepared), [prepared]);
  const named = useMemo(() => namedWorld(here, prepared), [here, prepared]);
  const [round, setRound] = useState(0);
  const watched = useWatchedAttempt(here.project);
  const shown = useMemo(
    () => (watched ? { seed: watched.seed, given: recordedChoices(prepared, watched.pacer, watched.seed) } : undefined),
    [watched, prepared],
  );
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
      <PlayHead
        here={here}
        onRestart={() => setRound(round + 1)}
        onLeave={leave}
        told={<span className="truncate text-[12px] text-bar-ink-2">{briefOf(here.project, level, () => here)}</span>}
      />
      <main className="min-h-0 grow overflow-y-auto bg-sheet px-[22px] py-3">
        {shown && round === 0 ? (
          <p role="note" className="text-ink-2">
            As {watched?.pacer.name} played it. <kbd>Backspace</kbd> goes back choice by choice, and from there it can
            be played on; <b>R</b> plays anew.
          </p>
        ) : null}
        <BoutByHand
          key={round}
          world={named}
          play={play}
          {...(shown && round === 0 ? { shown } : {})}
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
                <Told here={here} attempt={attemptOf(by)} />
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
function namedWorld({ project: { bouts, slots }, level, position, values }: LevelContext, { bout }: PreparedBoutLevel) {
  if (!bouts || !level.bout) return makeBoutWorld(bout);
  return makeBoutWorld(prepareBout(bouts, meetingOf({ bouts, slots }, level.bout, position, values)));
}

/** Effects of rules until now, the latest first. */
function Told({ here, attempt: { told } }: { here: LevelContext; attempt: BoutAttempt }) {
  return (
    <ul aria-label="What rules did" className="text-[12.5px]">
      {told.toReversed().map(({ rule, effect, round }, index) => {
        const done = here.rules[rule]?.rule.then[effect];
        return done ? (
          <li key={told.length - index} className="py-0.5">
            <span className="text-ink-3">Round {round}</span> {effectInWords(done, here.names)}
          </li>
        ) : null;
      })}
    </ul>
  );
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
  here: LevelContext;
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
