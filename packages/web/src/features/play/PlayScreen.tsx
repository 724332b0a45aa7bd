import { prepareLevel, starReading, type AttemptState, type PreparedLevel } from '@stadion/core/attempt';
import { causeInWords, conditionInWords, starsFor } from '@stadion/core/rules';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { addressOf, useProject, useSelection } from '../../app/hooks.ts';
import { useNavigate } from 'react-router';
import { levelHere, type LevelHere } from '../../app/levelHere.ts';
import { colourOfKind } from '../../app/groundColours.ts';
import { useShortcuts, type Shortcut } from '../../app/shortcuts.ts';
import { Button, formatNumber } from '../../ui/index.ts';
import { drawGround, type Paint } from './drawGround.ts';
import { JudgePanel } from './JudgePanel.tsx';
import { useAttempt } from './useAttempt.ts';

/** Play one level with the keys, every rule's truth beside it. */
export function PlayScreen() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  const key = useMemo(() => (position > 0 ? JSON.stringify(prepareLevel(project, position)) : ''), [project, position]);
  if (!here) return null;
  // An edit that comes from another tab and matters here starts the attempt anew, by the new rules.
  return <Play key={key} here={here} prepared={JSON.parse(key) as PreparedLevel} />;
}

const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

function readPaint(here: LevelHere): Paint {
  return {
    ground: token('--ground'),
    wall: token('--wall'),
    ink: token('--ink'),
    mark: token('--mark'),
    win: token('--win'),
    winSoft: token('--win-soft'),
    loss: token('--loss'),
    sheet: token('--sheet'),
    collectables: here.project.kinds.collectables.map((kind) =>
      token(colourOfKind(here.project, kind.id).slice(4, -1)),
    ),
  };
}

function Play({ here, prepared }: { here: LevelHere; prepared: PreparedLevel }) {
  const { position, level, slotId } = here;
  const { projectId } = useSelection();
  const navigate = useNavigate();
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 960, height: 600 });
  const paint = useRef<Paint>(undefined);
  const drawNow = useRef<() => void>(() => undefined);
  const draw = useCallback(() => drawNow.current(), []);
  const attempt = useAttempt(prepared, draw);
  const { state, before, between, restart, paused, setPaused, stepOnce } = attempt;

  const columns = level.ground.rows[0]?.length ?? 1;
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
    paint.current = readPaint(here);
    drawNow.current = () => {
      const context = canvas.current?.getContext('2d');
      if (!context || !paint.current) return;
      context.setTransform(window.devicePixelRatio, 0, 0, window.devicePixelRatio, 0, 0);
      drawGround(context, state.current, before.current, between.current, scale, paint.current);
    };
  }, [here, scale, state, before, between]);

  const leave = useCallback(() => void navigate(addressOf(projectId, 'level', slotId)), [navigate, projectId, slotId]);
  const shortcuts = useMemo(
    (): Shortcut[] => [
      { keys: 'R', does: 'Restart', run: restart },
      { keys: 'Escape', does: 'Back to the level', run: leave },
      { keys: ' ', does: 'Pause', run: () => setPaused(!paused) },
      { keys: '.', does: 'One tick, while paused', run: () => paused && stepOnce() },
    ],
    [restart, leave, paused, setPaused, stepOnce],
  );
  useShortcuts(shortcuts);

  const now = state.current;
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-[46px] shrink-0 items-center gap-4 bg-bar px-3.5 text-bar-ink">
        <h1 className="text-[15px]">
          {position}&ensp;{level.name}
        </h1>
        <Counters here={here} state={now} />
        <div className="grow" />
        <span className="text-[12px] text-bar-ink-2 max-[1150px]:hidden">
          <kbd>← ↑ ↓ →</kbd> or <kbd>W A S D</kbd> move
        </span>
        <Button look="bar" aria-pressed={paused} onClick={() => setPaused(!paused)}>
          {paused ? 'Go on' : 'Pause'} <kbd>Space</kbd>
        </Button>
        <Button look="bar" onClick={restart}>
          Restart <kbd>R</kbd>
        </Button>
        <Button look="bar" onClick={leave}>
          Leave <kbd>Esc</kbd>
        </Button>
      </header>
      <main className="flex min-h-0 grow">
        <div ref={box} className="relative m-3 min-w-0 grow overflow-hidden">
          <canvas
            ref={canvas}
            role="img"
            aria-label={`${level.name}, being played`}
            data-phase={now.phase}
            data-tick={now.tick}
            data-x={now.player.x.toFixed(2)}
            data-y={now.player.y.toFixed(2)}
            width={columns * scale * window.devicePixelRatio}
            height={rows * scale * window.devicePixelRatio}
            style={{ width: columns * scale, height: rows * scale }}
            className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2"
          />
          {now.phase === 'playing' ? null : <End here={here} state={now} onRestart={restart} onLeave={leave} />}
        </div>
        <aside
          aria-label="Judge and happenings"
          className="w-[330px] shrink-0 overflow-y-auto border-l border-line-strong bg-sheet px-4 py-3"
        >
          <div className="mb-2 flex items-center">
            <h2 className="grow text-[14px]">Judge</h2>
            <span className="text-ink-2">
              tick {now.tick} · {formatNumber(now.tick / 60, 1)} s
            </span>
          </div>
          <JudgePanel state={now} level={level} names={here.names} />
          <Happenings here={here} state={now} />
        </aside>
      </main>
    </div>
  );
}

function Counters({ here, state }: { here: LevelHere; state: AttemptState }) {
  const { observed, clockRuns, warned } = state;
  const worth = observed.worth.at(-1) ?? 0;
  const left = starReading(state);
  return (
    <dl className="flex gap-4">
      {[
        [here.names.words.worth, formatNumber(worth)],
        ['lives', String(observed.lives)],
        ['time left', Number.isFinite(left) ? `${left.toFixed(1)} s${clockRuns ? '' : ' (waits)'}` : 'no limit'],
      ].map(([name, value]) => (
        <div key={name} className="flex items-baseline gap-1.5">
          <dt className="text-[12px] text-bar-ink-2">{name}</dt>
          <dd className={`text-[15px] font-semibold ${name === 'time left' && warned ? 'text-mark' : ''}`}>{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Why it ended, in a sentence. */
function whyInWords(here: LevelHere, state: AttemptState): string {
  const { rule } = state.verdicts.ending;
  if (rule === -1) return state.phase === 'won' ? 'The clock ran out: survived.' : 'The clock ran out.';
  const ended = here.level.rules[rule];
  if (!ended) return '';
  if (state.phase === 'won') return `It holds: ${conditionInWords(ended.when, here.names)}.`;
  const life = here.level.rules[state.lastLifeRule];
  return `${causeInWords(ended, here.names)}${life ? `, the last to a ${causeInWords(life, here.names)}` : ''}.`;
}

function End({
  here,
  state,
  onRestart,
  onLeave,
}: {
  here: LevelHere;
  state: AttemptState;
  onRestart: () => void;
  onLeave: () => void;
}) {
  const won = state.phase === 'won';
  const stars = won ? starsFor(state.world.level.judging.stars, starReading(state)) : 0;
  return (
    <div
      role="alert"
      className={`pop absolute top-1/2 left-1/2 w-96 -translate-x-1/2 -translate-y-1/2 border-t-4 p-4 ${won ? 'border-t-win' : 'border-t-loss'}`}
    >
      <p className="text-[21px] font-[680] [font-stretch:106%]">
        {won ? 'Won' : 'Lost'}{' '}
        <span className="text-mark-ink" aria-label={won ? `${stars} stars` : undefined}>
          {'★'.repeat(stars)}
        </span>
      </p>
      <p className="my-1.5 text-ink-2">{whyInWords(here, state)}</p>
      <p className="mb-3 text-ink-2">
        At tick <b>{state.tick}</b>, {formatNumber(state.tick / 60, 2)} s after the load, with {state.observed.lives}{' '}
        lives.
      </p>
      <div className="flex gap-2">
        <Button look="main" onClick={onRestart}>
          Play again <kbd>R</kbd>
        </Button>
        <Button onClick={onLeave}>
          Back to the level <kbd>Esc</kbd>
        </Button>
      </div>
    </div>
  );
}

const SHOWN_HAPPENINGS = 8;

function Happenings({ here, state }: { here: LevelHere; state: AttemptState }) {
  const { project, level, names } = here;
  const words = (happening: AttemptState['happenings'][number]): string => {
    switch (happening.what) {
      case 'gathered':
        return `${project.kinds.collectables[happening.kind]?.name ?? 'A piece'} gathered`;
      case 'sent': {
        const kind = state.enemies[happening.enemy]?.kind ?? -1;
        return `${project.kinds.enemies[kind]?.name ?? 'An enemy'} sent`;
      }
      case 'life lost': {
        const rule = level.rules[happening.rule];
        return `Life lost: ${rule ? causeInWords(rule, names) : ''}`;
      }
      case 'clock started':
        return 'The clock starts';
      case 'warned':
        return 'The clock warns';
      case 'won':
        return 'Won';
      case 'lost':
        return 'Lost';
    }
  };
  const latest = state.happenings.slice(-SHOWN_HAPPENINGS).toReversed();
  return (
    <section aria-label="Happenings" className="border-t border-line pt-2">
      <h3 className="mb-1 text-[12.5px]">Happenings</h3>
      {latest.length === 0 ? <p className="text-ink-3">Nothing yet: make the first move.</p> : null}
      <ul>
        {latest.map((happening, index) => (
          <li key={state.happenings.length - index} className="flex gap-2">
            <span className="w-12 text-right text-ink-3">{(happening.tick / 60).toFixed(1)} s</span>
            {words(happening)}
          </li>
        ))}
      </ul>
    </section>
  );
}
