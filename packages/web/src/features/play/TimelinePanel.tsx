import { happeningInWords } from '@stadion/core/play/scene';
import { timelineOf, type AttemptState, type Recording } from '@stadion/core/play/attempt';
import { causeInWords, conditionInWords, endingOfRule, ticksToSeconds } from '@stadion/core/play/rules';
import { useMemo } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { Button, formatNumber } from '../../ui/index.ts';

interface Props {
  here: LevelContext;
  state: AttemptState;
  recording: Recording;
  /** Number of recorded ticks: the timeline is drawn again when it changes. */
  ticks: number;
  onLookAt: (tick: number) => void;
  onPlayOn: () => void;
}

const TITLES = { won: 'Won when', lost: 'Lost when' } as const;

/** Each rule's truth over the attempt, what happened, and the way back to any tick. */
export function TimelinePanel({ here, state, recording, ticks, onLookAt, onPlayOn }: Props) {
  const timeline = useMemo(() => {
    void ticks;
    return timelineOf(state.world, recording);
  }, [state.world, recording, ticks]);
  const { tick } = state;
  const most = Math.max(1, timeline.ticks);
  const share = (at: number): string => `${(Math.min(at, most) / most) * 100}%`;
  const isLast = tick >= timeline.ticks;
  const near = timeline.happenings.filter((happening) => Math.abs(happening.tick - tick) <= 3).at(-1);
  return (
    <section aria-label="Timeline" className="border-t border-line-strong bg-sheet px-4 pt-2 pb-3">
      <div className="mb-1.5 flex items-center gap-2">
        <h2 className="text-[13px]">Timeline</h2>
        <Button aria-label="To before the first move" onClick={() => onLookAt(0)}>
          |◂
        </Button>
        <Button aria-label="A tick back" onClick={() => onLookAt(Math.max(0, tick - 1))}>
          ◂
        </Button>
        <Button aria-label="A tick on" onClick={() => onLookAt(Math.min(timeline.ticks, tick + 1))}>
          ▸
        </Button>
        <Button aria-label="To the last tick" onClick={() => onLookAt(timeline.ticks)}>
          ▸|
        </Button>
        <span className="text-ink-2" role="status">
          tick {tick} of {timeline.ticks}, {formatNumber(ticksToSeconds(tick), 2)} s
          {tick === 0 ? ' · before the first move' : ''}
          {timeline.decidedAt !== null && isLast ? ' · the deciding tick' : ''}
          {near ? ` · ${happeningInWords(near, here, state)}` : ''}
        </span>
        <div className="grow" />
        {isLast ? null : (
          <Button look="main" onClick={onPlayOn}>
            Play on from here
          </Button>
        )}
      </div>
      <div className="grid max-h-40 grid-cols-[190px_1fr] gap-x-2 gap-y-0.5 overflow-x-hidden overflow-y-auto pr-2 text-[12px]">
        <span className="text-right text-ink-3">look at</span>
        <input
          type="range"
          aria-label="Tick looked at"
          aria-valuetext={`tick ${tick}, ${formatNumber(ticksToSeconds(tick), 1)} s`}
          min={0}
          max={timeline.ticks}
          value={tick}
          className="m-0 w-full accent-edit"
          onChange={(event) => onLookAt(Number(event.target.value))}
        />
        {here.rules.map(({ rule }, index) => {
          const spans = timeline.truths[index] ?? [];
          const ending = endingOfRule(rule);
          const name =
            ending === null
              ? `${rule.then.some((effect) => effect.effect === 'loseLife') ? 'A life: ' : ''}${causeInWords(rule, here.names)}`
              : `${TITLES[ending]} ${conditionInWords(rule.when, here.names)}`;
          const bars: [number, number][] = [];
          for (let i = 0; i < spans.length; i += 2) bars.push([spans[i] as number, spans[i + 1] as number]);
          const fired = timeline.fired[index] ?? [];
          return (
            <div key={rule.id} className="contents">
              <span className="truncate text-right text-ink-2" title={name}>
                {name}
              </span>
              <div
                className="relative h-4 overflow-hidden bg-band"
                role="img"
                aria-label={`${name}: ${bars.length === 0 ? 'never true' : `true ${bars.length} time${bars.length === 1 ? '' : 's'}`}, fired ${fired.length}×`}
              >
                {bars.map(([from, to]) => (
                  <i
                    key={from}
                    className={`absolute inset-y-1 ${ending === 'lost' ? 'bg-loss' : 'bg-win-2'}`}
                    style={{
                      left: `min(${share(from)}, 100% - 3px)`,
                      width: `max(2px, ${((to - from) / most) * 100}%)`,
                    }}
                  />
                ))}
                {fired.map((at) => (
                  <i
                    key={at}
                    className="absolute inset-y-0 w-[3px] bg-mark"
                    style={{ left: `min(${share(at)}, 100% - 3px)` }}
                  />
                ))}
                <i className="absolute inset-y-0 w-px bg-ink" style={{ left: `min(${share(tick)}, 100% - 1px)` }} />
              </div>
            </div>
          );
        })}
        <span className="text-right text-ink-2">happenings</span>
        <div className="relative h-4 bg-band">
          {timeline.happenings.map((happening, index) => (
            <button
              key={index}
              type="button"
              tabIndex={-1}
              title={`${formatNumber(ticksToSeconds(happening.tick), 1)} s: ${happeningInWords(happening, here, state)}`}
              aria-label={`Look at tick ${happening.tick}: ${happeningInWords(happening, here, state)}`}
              className="absolute top-1 size-2 -translate-x-1/2 rounded-full bg-edit"
              style={{ left: share(happening.tick) }}
              onClick={() => onLookAt(happening.tick)}
            />
          ))}
        </div>
      </div>
    </section>
  );
}
