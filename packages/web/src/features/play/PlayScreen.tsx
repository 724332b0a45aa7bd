import { SORTS, subjectsOf, type AttemptState, type Recording, type StartFrom } from '@stadion/core/play/attempt';
import { meetingsOf, type PreparedMeetings } from '@stadion/core/play/bouts';
import { sectionsOf } from '@stadion/core/play/grid';
import { groundKindOf } from '@stadion/core/play/movement';
import { memoizeByObject } from '@stadion/core/basics/memo';
import type { EndingSide, Level, Project } from '@stadion/core/document/model';
import {
  leaves,
  READINGS,
  readingInWords,
  resolveAmount,
  secondsToTicks,
  subjectOf,
  ticksToSeconds,
  type Subjects,
} from '@stadion/core/play/rules';
import { happeningInWords, looksAt, sceneOfAttempt, seenStretch } from '@stadion/core/play/scene';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { addressOf, useSelection } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import {
  hasBouts,
  isBout,
  LOST_FIGHT,
  meetingsAt,
  resolveLevel,
  recordedAttempt,
  type ResolvedLevel,
  type PreparedGround,
} from '@stadion/core/forecast/trials';
import { useNavigate } from 'react-router';
import { levelHere, type LevelContext } from '../../readings/levelContext.ts';
import { useShortcuts, type Shortcut } from '../../ui/shortcuts.ts';
import { Button, formatNumber, paint, readPalette, type Palette } from '../../ui/index.ts';
import { attemptOf, bestAttempts, keepAttempt, levelMark } from './bestAttempts.ts';
import { BestAttempts } from './BestAttempts.tsx';
import { CONTROL_KEYS } from './controlKeys.ts';
import { End, type Ended } from './End.tsx';
import { JudgePanel } from './JudgePanel.tsx';
import { MetOnWay } from './MetOnWay.tsx';
import { PlayBout } from './PlayBout.tsx';
import { PlayHead } from './PlayHead.tsx';
import { StartFromPanel } from './StartFromPanel.tsx';
import { TimelinePanel } from './TimelinePanel.tsx';
import { useAttempt } from './useAttempt.ts';
import { useMeetings } from './useMeetings.ts';
import { useWatchedAttempt } from './useWatchedAttempt.ts';

/** Play one level with the keys, every rule's truth beside it. */
export function PlayScreen() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  const key = useMemo(() => (position > 0 ? JSON.stringify(playedAt(project, position)) : ''), [project, position]);
  // The same text gives the same objects: an edit that does not matter here leaves an attempt that is watched alone.
  const played = useMemo(() => (key === '' ? null : (JSON.parse(key) as ReturnType<typeof playedAt>)), [key]);
  if (!here || !played) return null;
  const { game, meetings } = played;
  if (isBout(game)) return <PlayBout key={key} here={here} prepared={game} />;
  // An edit from another tab that concerns this level starts the attempt again, by the new rules.
  return <Play key={key} here={here} prepared={game} meetings={meetings} />;
}

/** All that is played at a position: the level, and the fights on its way, with names. */
function playedAt(project: Project, position: number): { game: ResolvedLevel; meetings: PreparedMeetings | null } {
  const game = resolveLevel(project, position);
  const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
  const meetings = level && meetingsOf(level);
  if (!meetings || !hasBouts(project)) return { game, meetings: null };
  return { game, meetings: meetingsAt(project, level, meetings, position) };
}

/** The parts that still move after an end, and their times. */
const afterEnd = (here: LevelContext, side: EndingSide) => ({
  freezeTicks: secondsToTicks(resolveAmount(side.freezeSeconds, here.values, here.placed)),
  goesOn: side.goesOn,
});

interface PlayProps {
  here: LevelContext;
  prepared: PreparedGround;
  meetings: PreparedMeetings | null;
}

function Play({ here, prepared, meetings }: PlayProps) {
  const { level, slotId } = here;
  const { projectId } = useSelection();
  const navigate = useNavigate();
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 960, height: 600 });
  const palette = useRef<Palette>(undefined);
  const looks = useMemo(() => looksAt(here.project, level.ground), [here.project, level.ground]);
  const drawNow = useRef<() => void>(() => undefined);
  const draw = useCallback(() => drawNow.current(), []);
  const after = useMemo(
    () => ({ won: afterEnd(here, level.ending.won), lost: afterEnd(here, level.ending.lost) }),
    [here, level.ending],
  );
  const mark = useMemo(() => levelMark(JSON.stringify(prepared)), [prepared]);
  const [best, setBest] = useState(() => bestAttempts(projectId, level.id));
  const keep = useCallback(
    (ended: AttemptState, played: Recording) => {
      // An attempt that began in the middle does not count as one at the level.
      if (Object.keys(played.from).length > 0) return;
      const kept = keepAttempt(projectId, level.id, attemptOf(ended, played, mark));
      if (kept) setBest(kept);
    },
    [projectId, level.id, mark],
  );
  const met = useMeetings(meetings);
  const attempt = useAttempt(prepared, after, draw, keep, met);
  const { state, before, between, recording, restart, paused, setPaused, stepOnce, lookAt, stepBack, lastTick } =
    attempt;
  const { watch, watching, waiting } = attempt;
  const watched = useWatchedAttempt(here.project);
  useEffect(() => {
    if (watched) watch(recordedAttempt(prepared, watched.pacer, watched.seed));
  }, [watched, prepared, watch]);
  const [from, setFrom] = useState<StartFrom>({});
  const [setting, setSetting] = useState(false);

  // A ground that continues shows the same length at all times.
  const columns = groundKindOf(prepared.kind).seen?.(0).width ?? level.ground.rows[0]?.length ?? 1;
  const rows = level.ground.rows.length;
  // Whole pixels per cell, so that walls have no seams.
  const scale = Math.max(4, Math.floor(Math.min(size.width / columns, size.height / rows)));

  useEffect(() => {
    const element = box.current as HTMLDivElement;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  useEffect(() => {
    palette.current = readPalette();
    drawNow.current = () => {
      const context = canvas.current?.getContext('2d');
      if (!context || !palette.current) return;
      context.setTransform(window.devicePixelRatio, 0, 0, window.devicePixelRatio, 0, 0);
      const scene = sceneOfAttempt(state.current, before.current, between.current, looks);
      context.translate(-seenStretch(state.current, before.current, between.current).x * scale, 0);
      paint(context, scene, scale, palette.current);
    };
  }, [scale, state, before, between, looks]);

  const leave = useCallback(() => void navigate(addressOf(projectId, 'level', slotId)), [navigate, projectId, slotId]);
  const shortcuts = useMemo(
    (): Shortcut[] => [
      { keys: 'R', does: 'Restart', run: () => restart() },
      { keys: 'Escape', does: 'Back to the level', run: leave },
      { keys: ' ', does: 'Pause', run: () => setPaused(!paused) },
      { keys: '.', does: 'One tick, while paused', run: () => paused && stepOnce() },
      {
        keys: ',',
        does: 'One tick back, while paused',
        run: () => paused && stepBack(),
      },
      { keys: 'O', does: 'Set the state to begin from', run: () => setSetting((now) => !now) },
    ],
    [restart, leave, paused, setPaused, stepOnce, stepBack],
  );
  useShortcuts(shortcuts);

  const now = state.current;
  return (
    <div className="flex h-full flex-col">
      <PlayHead here={here} onRestart={() => restart()} onLeave={leave} told={<Counters here={here} state={now} />}>
        <span className="text-[12px] whitespace-nowrap text-bar-ink-2 max-[1180px]:hidden">
          {groundKindOf(prepared.kind).controls.map(({ held, does }) => (
            <span key={does}>
              <kbd>{held.map((control) => CONTROL_KEYS[control].arrow).join(' ')}</kbd>
              <span className="max-[1500px]:hidden">
                {' '}
                or <kbd>{held.map((control) => CONTROL_KEYS[control].letter).join(' ')}</kbd>
              </span>{' '}
              {does}{' '}
            </span>
          ))}
          {prepared.motion.player.shooting ? <kbd>F</kbd> : null}
          {prepared.motion.player.shooting ? ' shoots' : ''}
        </span>
        <Button look="bar" aria-pressed={setting} onClick={() => setSetting(!setting)}>
          Begin from… <kbd>O</kbd>
        </Button>
        <Button look="bar" aria-pressed={paused} onClick={() => setPaused(!paused)}>
          {paused ? 'Go on' : 'Pause'} <kbd>Space</kbd>
        </Button>
      </PlayHead>
      <main className="flex min-h-0 grow">
        <div ref={box} className="relative m-3 min-w-0 grow overflow-hidden">
          <canvas
            ref={canvas}
            role="img"
            aria-label={`${level.name}, being played`}
            data-phase={now.phase}
            data-tick={now.tick}
            data-x={now.body.x.toFixed(2)}
            data-y={now.body.y.toFixed(2)}
            width={columns * scale * window.devicePixelRatio}
            height={rows * scale * window.devicePixelRatio}
            style={{ width: columns * scale, height: rows * scale }}
            onClick={(event) => {
              if (!setting) return;
              const bounds = event.currentTarget.getBoundingClientRect();
              const half = (value: number): number => Math.round((value / scale) * 2) / 2;
              setFrom({ ...from, at: { x: half(event.clientX - bounds.left), y: half(event.clientY - bounds.top) } });
            }}
            className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2"
          />
          <Said here={here} state={now} />
          {waiting.current ? (
            <p role="note" className="pop absolute top-2 right-2 px-3 py-1 text-[12.5px]">
              It stands until the first key is pressed.
            </p>
          ) : null}
          {watching.current ? (
            <p role="note" className="pop absolute top-2 right-2 px-3 py-1 text-[12.5px]">
              Watched again, as it was played. <b>R</b> plays anew.
            </p>
          ) : null}
          <OnlySection here={here} section={recording.current.from.onlyPart} />
          {meetings && met.fight ? (
            <MetOnWay key={met.fight.seed} meetings={meetings} met={met.fight} onEnd={met.end} />
          ) : null}
          {(now.phase === 'playing' && !met.isLost) || paused ? null : (
            <End
              here={here}
              state={met.isLost ? lostByFight(now) : now}
              onRestart={() => restart()}
              onLeave={leave}
              onLookBack={() => lookAt(now.tick)}
              onGo={(next) => void navigate(addressOf(projectId, 'play', next))}
            />
          )}
        </div>
        <aside
          aria-label="Judge and happenings"
          className="w-[330px] shrink-0 overflow-y-auto border-l border-line-strong bg-sheet px-4 py-3"
        >
          <div className="mb-2 flex items-center">
            <h2 className="grow text-[14px]">Judge</h2>
            <span className="text-ink-2">
              tick {now.tick} · {formatNumber(ticksToSeconds(now.tick), 1)} s
            </span>
          </div>
          {setting ? (
            <StartFromPanel
              here={here}
              prepared={prepared}
              from={from}
              onChange={setFrom}
              onStart={() => restart(from, true)}
              onReset={() => {
                setFrom({});
                restart({});
              }}
            />
          ) : null}
          <JudgePanel state={now} here={here} />
          <Happenings here={here} state={now} />
          <BestAttempts here={here} best={best} level={mark} onWatch={watch} />
        </aside>
      </main>
      {paused ? (
        <TimelinePanel
          here={here}
          state={now}
          recording={recording.current}
          ticks={lastTick()}
          onLookAt={lookAt}
          onPlayOn={() => setPaused(false)}
        />
      ) : null}
    </div>
  );
}

/** An attempt that a lost fight has ended. */
const lostByFight = (state: AttemptState): Ended => ({
  ...state,
  phase: 'lost',
  verdicts: { ...state.verdicts, stars: 0, ending: { result: 'lost', rule: LOST_FIGHT } },
});

/** Says that one section of a run is forced: it is how one looks at it, and nothing of the level. */
function OnlySection({ here, section }: { here: LevelContext; section: number | undefined }) {
  const name = section === undefined ? undefined : sectionsOf(here.level.ground)[section]?.name;
  if (name === undefined) return null;
  return (
    <p role="note" className="pop absolute top-2 left-2 px-3 py-1 text-[12.5px]">
      Only “{name}” comes, for this play alone. <b>O</b> changes it.
    </p>
  );
}

/** Message of a milestone while it is shown. */
function Said({ here, state }: { here: LevelContext; state: AttemptState }) {
  const { rule, effect, untilTick } = state.message;
  const said = here.rules[rule]?.rule.then[effect];
  if (said?.effect !== 'message' || state.tick > untilTick) return null;
  return (
    <p role="status" className="pop absolute top-4 left-1/2 -translate-x-1/2 px-4 py-1.5 text-[15px] font-semibold">
      {said.text}
    </p>
  );
}

/** Readings with a place of their own among the counters. */
const SHOWN_ALWAYS: ReadonlySet<string> = new Set([
  ...(['worth', 'lives', 'health', 'score', 'timeLeft', 'timeElapsed', 'tries', 'phase'] as const),
]);

const subjectsHere = memoizeByObject((project: Project) =>
  memoizeByObject((level: Level) => subjectsOf(project, level)),
);
const subjectsAt = (project: Project, level: Level): Subjects => subjectsHere(project)(level);

/** Returns the other readings that the level's rules name, such as tallies and crossings, each with the number asked for. */
function namedReadings(here: LevelContext, { observed }: AttemptState): [string, string][] {
  const { rules, names, placed, values } = here;
  const subjects = subjectsAt(here.project, here.level);
  const shown = new Map<string, string>();
  for (const { rule } of rules)
    for (const { leaf } of leaves(rule.when)) {
      const { reading } = leaf;
      const definition = READINGS[reading.reading];
      if (leaf.is !== 'compare' || SHOWN_ALWAYS.has(reading.reading)) continue;
      const subject = subjectOf(reading, subjects);
      const words = readingInWords(reading, names);
      if (subject < 0 || shown.has(words)) continue;
      const now = definition.read(observed, subject);
      const asked = resolveAmount(leaf.amount, values, placed);
      const isCounted = definition.unit === 'count' && definition.direction === 'up';
      shown.set(words, isCounted ? `${formatNumber(now, 0)} of ${formatNumber(asked, 0)}` : formatNumber(now, 1));
    }
  return [...shown];
}

function Counters({ here, state }: { here: LevelContext; state: AttemptState }) {
  const { observed, clock, world } = state;
  const { motion } = world.level;
  const worth = observed.worth.at(-1) ?? 0;
  const left = READINGS.timeLeft.read(observed, 0);
  const score = READINGS.score.read(observed, 0);
  const hurts = SORTS.some((sort) => sort.hurts?.(motion.pieces[sort.name]));
  const beatable = (observed.enemiesLeft.at(-1) ?? 0) + (observed.enemiesBeaten.at(-1) ?? 0);
  const counters: [string, string][] = [
    [here.names.words.worth, formatNumber(worth)],
    ['lives', String(observed.lives)],
    ...(hurts ? [['health', formatNumber(observed.health, 0)] as [string, string]] : []),
    ...(beatable > 0 ? [['beaten', `${observed.enemiesBeaten.at(-1) ?? 0} of ${beatable}`] as [string, string]] : []),
    ...(score === worth ? [] : [['score', formatNumber(score, 0)] as [string, string]]),
    ...namedReadings(here, state),
    ['time left', Number.isFinite(left) ? `${left.toFixed(1)} s${clock.runs ? '' : ' (waits)'}` : 'no limit'],
  ];
  return (
    <dl className="flex flex-wrap gap-x-4">
      {counters.map(([name, value]) => (
        <div key={name} className="flex items-baseline gap-1.5 whitespace-nowrap">
          <dt className="text-[12px] text-bar-ink-2">{name}</dt>
          <dd className={`text-[15px] font-semibold ${name === 'time left' && clock.warned ? 'text-mark' : ''}`}>
            {value}
          </dd>
        </div>
      ))}
    </dl>
  );
}

const SHOWN_HAPPENINGS = 8;

function Happenings({ here, state }: { here: LevelContext; state: AttemptState }) {
  const latest = state.happenings.slice(-SHOWN_HAPPENINGS).toReversed();
  return (
    <section aria-label="Happenings" className="border-t border-line pt-2">
      <h3 className="mb-1 text-[12.5px]">Happenings</h3>
      {latest.length === 0 ? <p className="text-ink-3">Nothing yet: make the first move.</p> : null}
      <ul>
        {latest.map((happening, index) => (
          <li key={state.happenings.length - index} className="flex gap-2">
            <span className="w-12 text-right text-ink-3">{ticksToSeconds(happening.tick).toFixed(1)} s</span>
            {happeningInWords(happening, here, state)}
          </li>
        ))}
      </ul>
    </section>
  );
}
