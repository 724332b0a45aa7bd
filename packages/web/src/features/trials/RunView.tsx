import { durations, reachedShare, type Funnel, type FunnelSlot, type Stop } from '@stadion/core/forecast/trials';
import { starsAsked } from '@stadion/core/play/playthrough';
import { useMemo } from 'react';
import { useColumns, type Columns } from '../../columns/columns.ts';
import { lifeCause } from '../../readings/causes.ts';
import { useSelection } from '../../address/address.ts';
import { usePacer, useProject } from '../../store/hooks.ts';
import { formatNumber, formatPercent } from '../../ui/index.ts';
import { LOSS_SHADES, STAR_SHADES } from '../../ui/shades.ts';
import { SelectedColumn, SlotRow } from '../../columns/SlotRow.tsx';
import { RUNS, useRuns } from './useRuns.ts';
import type { PacerRow } from './useTrials.ts';

const LINES = 150;
const BARS = 88;
/** Room above lines and bars for numbers, px. */
const ROOM = 16;
/** Lines by pacer, the chosen one strongest. */
const DASHES = ['', '6 3', '2 3', '8 3 2 3'];

const STOPS: Readonly<Record<Exclude<Stop, 'through'>, string>> = {
  'gave up': 'give up',
  gate: 'wait at a gate of stars',
  ended: 'ended by an ending',
  'too long': 'take too long',
  unknown: 'level without attempts',
};

/** Results of many runs through the sequence: the number that reaches each slot, where they stop, where lives go, what is earned. */
export function RunView({ rows }: { rows: readonly PacerRow[] }) {
  const columns = useColumns();
  const { position } = useSelection();
  const chosen = usePacer();
  const { answer, done, stale, waiting } = useRuns(rows);
  const funnels = useMemo(() => new Map(answer?.funnels ?? []), [answer]);
  const funnel = funnels.get(chosen.id);
  if (!funnel || funnel.runs === 0)
    return (
      <p role="status" className="border-t border-line-strong p-3.5 text-ink-2">
        {waiting && !answer
          ? 'Runs through the sequence are played as soon as a pacer’s forecast of every level is known.'
          : answer
            ? `${chosen.name}’s forecasts are not all known yet.`
            : 'The first runs are being played…'}
      </p>
    );
  return (
    <div className={`border-t border-line-strong ${stale ? 'opacity-60' : ''}`} aria-busy={stale || !done}>
      <div role="table" aria-label={`Runs by ${chosen.name}`} className="relative pt-2">
        <SelectedColumn columns={columns} position={position} />
        <SlotRow
          columns={columns}
          height={LINES}
          head={
            <>
              <b className="block text-[13px]">The run</b>
              <span className="block text-[12px] text-ink-3">
                runs of {RUNS} that reach each level; numbers: {chosen.name}
              </span>
              <Legend rows={rows} chosen={chosen.id} />
            </>
          }
          behind={<Lines funnels={funnels} rows={rows} chosen={chosen.id} columns={columns} />}
          cell={(at) => {
            const slot = funnel.slots[at - 1];
            if (!slot) return null;
            const { share } = reachedShare(funnel, slot);
            return <span className="sr-only">{`reached by ${Math.round(share * RUNS)} of ${RUNS}`}</span>;
          }}
        />
        <Stops funnel={funnel} columns={columns} />
        <Lives funnel={funnel} columns={columns} />
        <Stars funnel={funnel} columns={columns} />
      </div>
      <Facts funnel={funnel} done={done} name={chosen.name} />
    </div>
  );
}

function Legend({ rows, chosen }: { rows: readonly PacerRow[]; chosen: string }) {
  return (
    <ul className="mt-1 text-[12px]">
      {rows.map(({ pacer }, index) => (
        <li key={pacer.id} className={pacer.id === chosen ? 'font-semibold' : 'text-ink-2'}>
          <svg width="24" height="8" className="mr-1 inline" aria-hidden>
            <line
              x1="0"
              x2="24"
              y1="4"
              y2="4"
              stroke={pacer.id === chosen ? 'var(--win)' : 'var(--ink-3)'}
              strokeWidth={pacer.id === chosen ? 2.5 : 1.5}
              strokeDasharray={DASHES[index % DASHES.length]}
            />
          </svg>
          {pacer.name}
        </li>
      ))}
    </ul>
  );
}

interface LinesProps {
  funnels: ReadonlyMap<string, Funnel>;
  rows: readonly PacerRow[];
  chosen: string;
  columns: Columns;
}

function Lines({ funnels, rows, chosen, columns }: LinesProps) {
  const { middle, count, column, visible } = columns;
  const y = (share: number): number => ROOM + (LINES - ROOM - 10) * (1 - share);
  const own = funnels.get(chosen);
  return (
    <svg width={count * column} height={LINES} className="absolute top-0 left-0 overflow-visible" aria-hidden>
      {[0, 0.5, 1].map((share) => (
        <line key={share} x1="0" x2={count * column} y1={y(share)} y2={y(share)} stroke="var(--line)" />
      ))}
      {rows.map(({ pacer }, index) => {
        const funnel = funnels.get(pacer.id);
        if (!funnel) return null;
        const isChosen = pacer.id === chosen;
        const points = funnel.slots
          .map((slot, at) => `${middle(at + 1)},${y(reachedShare(funnel, slot).share)}`)
          .join(' ');
        return (
          <polyline
            key={pacer.id}
            points={points}
            fill="none"
            stroke={isChosen ? 'var(--win)' : 'var(--ink-3)'}
            strokeWidth={isChosen ? 2.5 : 1.5}
            strokeDasharray={DASHES[index % DASHES.length]}
          />
        );
      })}
      {own
        ? visible.map((at) => {
            const slot = own.slots[at - 1];
            if (!slot) return null;
            const { share, interval } = reachedShare(own, slot);
            return (
              <g key={at}>
                <line x1={middle(at)} x2={middle(at)} y1={y(interval.high)} y2={y(interval.low)} stroke="var(--ink)" />
                <text x={middle(at)} y={y(share) - 6} fontSize="11" textAnchor="middle" fill="var(--ink)">
                  {Math.round(share * RUNS)}
                </text>
              </g>
            );
          })
        : null}
    </svg>
  );
}

const stopsOf = ({ stopped }: FunnelSlot): [Exclude<Stop, 'through'>, number][] =>
  Object.entries(stopped) as [Exclude<Stop, 'through'>, number][];

/** Where runs go no further. */
function Stops({ funnel, columns }: { funnel: Funnel; columns: Columns }) {
  const all = new Set(funnel.slots.flatMap((slot) => stopsOf(slot).map(([stop]) => stop)));
  return (
    <SlotRow
      columns={columns}
      height={44}
      head={
        <>
          <b className="block text-[13px]">Stop here</b>
          <span className="block text-[12px] text-ink-3">
            of {RUNS} runs{all.size > 0 ? `: ${[...all].map((stop) => STOPS[stop]).join(', ')}` : ': none'}
          </span>
        </>
      }
      cell={(at) => {
        const slot = funnel.slots[at - 1];
        const stops = slot ? stopsOf(slot) : [];
        const count = stops.reduce((sum, [, each]) => sum + each, 0);
        if (count === 0) return <span className="sr-only">0</span>;
        const said = stops.map(([stop, each]) => `${perThousand(each, funnel)} ${STOPS[stop]}`).join(', ');
        return (
          <span
            title={said}
            className="absolute inset-x-1 top-1.5 border-b-2 border-loss text-center text-[12px] font-semibold text-loss"
          >
            {perThousand(count, funnel)}
          </span>
        );
      }}
    />
  );
}

const perThousand = (count: number, { runs }: Funnel): number => Math.round((count / runs) * RUNS);

/** Lives lost at each slot, by what took them. */
function Lives({ funnel, columns }: { funnel: Funnel; columns: Columns }) {
  const project = useProject();
  const named = useMemo(
    () =>
      funnel.slots.map((slot, index) => {
        const causes = new Map<string, number>();
        for (const [rule, count] of Object.entries(slot.livesLost)) {
          const name = lifeCause(project, index + 1, Number(rule));
          causes.set(name, (causes.get(name) ?? 0) + count);
        }
        return causes;
      }),
    [project, funnel],
  );
  const totals = new Map<string, number>();
  for (const causes of named) for (const [name, count] of causes) totals.set(name, (totals.get(name) ?? 0) + count);
  const order = [...totals].toSorted((one, other) => other[1] - one[1]).map(([name]) => name);
  const shade = (name: string): string => LOSS_SHADES[Math.min(order.indexOf(name), LOSS_SHADES.length - 1)] as string;
  const sumOf = (causes: ReadonlyMap<string, number>): number => [...causes.values()].reduce((a, b) => a + b, 0);
  const most = Math.max(1, ...named.map(sumOf));
  return (
    <SlotRow
      columns={columns}
      height={BARS + ROOM}
      head={
        <>
          <b className="block text-[13px]">Lives go to</b>
          <span className="block text-[12px] text-ink-3">lost per 100 runs</span>
          <ul className="text-[12px]">
            {order.slice(0, 3).map((name, index) => (
              <li key={name} className="truncate">
                <i className="mr-1.5 inline-block size-[9px]" style={{ background: shade(name) }} />
                {index === 2 && order.length > 3 ? 'all else' : name}
              </li>
            ))}
          </ul>
        </>
      }
      cell={(at) => {
        const causes = named[at - 1] ?? new Map<string, number>();
        const sum = sumOf(causes);
        const said = order
          .filter((name) => causes.has(name))
          .map((name) => `${name} ${perHundred(causes.get(name)!, funnel)}`);
        return (
          <div
            title={said.join(', ')}
            className="absolute inset-x-[18%] bottom-1 flex flex-col justify-end"
            style={{ height: BARS + ROOM - 4 }}
          >
            <span className="text-center text-[11.5px]">{perHundred(sum, funnel)}</span>
            {order.map((name) => {
              const count = causes.get(name) ?? 0;
              return count === 0 ? null : (
                <span
                  key={name}
                  className="mt-px block"
                  style={{ height: (count / most) * BARS * 0.86, background: shade(name) }}
                />
              );
            })}
          </div>
        );
      }}
    />
  );
}

const perHundred = (count: number, { runs }: Funnel): number => Math.round((count / runs) * 100);

/** Stars earned by those who reached a slot, against the gate before it. */
function Stars({ funnel, columns }: { funnel: Funnel; columns: Columns }) {
  const project = useProject();
  return (
    <SlotRow
      columns={columns}
      height={BARS}
      head={
        <>
          <b className="block text-[13px]">Stars</b>
          <span className="block text-[12px] text-ink-3">
            best of each run that reached it; ◆ a gate asks for stars
          </span>
        </>
      }
      cell={(at) => {
        const slot = funnel.slots[at - 1];
        if (!slot || slot.reached === 0) return null;
        const gate = starsAsked(project, at);
        const counted = [3, 2, 1].map((stars) => ({
          stars,
          share:
            slot.stars.reduce(
              (sum, count, earned) => sum + (earned === stars || (stars === 3 && earned > 3) ? count : 0),
              0,
            ) / slot.reached,
        }));
        const said = counted.map(({ stars, share }) => `${'★'.repeat(stars)} ${formatPercent(share)}`).join(', ');
        return (
          <div
            title={`${said}${gate > 0 ? `; asks for ${gate} stars` : ''}`}
            className="absolute inset-x-[18%] top-1 bottom-2 flex flex-col justify-end"
          >
            <span className="sr-only">{said}</span>
            {gate > 0 ? (
              <span className="text-center text-[11px] whitespace-nowrap text-mark-ink">◆ {gate}</span>
            ) : null}
            {counted.map(({ stars, share }) => (
              <span
                key={stars}
                className="mt-px block"
                style={{ height: `${share * 78}%`, background: STAR_SHADES[stars] }}
              />
            ))}
          </div>
        );
      }}
    />
  );
}

const minutes = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${formatNumber(seconds / 60, 1)} min`;

/** Measures of whole runs. */
function Facts({ funnel, done, name }: { funnel: Funnel; done: boolean; name: string }) {
  const project = useProject();
  const times = durations(funnel, [0.1, 0.5, 0.9]);
  const attempts = funnel.slots.reduce((sum, { tries }) => sum + tries, 0);
  const played = funnel.slots.flatMap(({ isPlayed }, index) => (isPlayed ? [index + 1] : []));
  return (
    <div className="max-w-[980px] px-3.5 py-2.5 text-[12.5px] text-ink-2">
      <p role="status">
        <b>{formatPercent(funnel.through / funnel.runs)}</b> of {name}’s runs go through all {project.slots.length}{' '}
        levels
        {times
          ? `; they take ${minutes(times[1]!)} (8 of 10: ${minutes(times[0]!)} to ${minutes(times[2]!)}) of play`
          : ''}
        . {formatNumber(attempts / funnel.runs, 1)} attempts a run.
        {done ? '' : ` ${funnel.runs} of ${RUNS} runs so far.`}
      </p>
      <p className="mt-1 text-ink-3">
        Attempts are drawn from the forecasts, by players who are as good at the level.
        {played.length === 0
          ? ''
          : ` Played for the run, since it depends on what a run brings along: level ${played.join(', ')}.`}{' '}
        {funnel.played} attempts were played because a run came with other lives.
      </p>
    </div>
  );
}
