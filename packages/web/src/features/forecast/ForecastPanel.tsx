import type { Pacer } from '@stadion/core/document/model';
import { wantedAt } from '@stadion/core/document/ramps';
import { TOO_COSTLY, type Forecast } from '@stadion/core/forecast/trials';
import type { ReactNode } from 'react';
import { setWanted } from '@stadion/core/authoring/edits';
import { useAppDispatch, useAppSelector, useEdit, usePacer } from '../../store/hooks.ts';
import { endingName } from '../../readings/causes.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import type { LiveForecast } from '../../answers/useForecast.ts';
import { forecastPaused, pacerChosen } from '../../store/viewSlice.ts';
import { preferForecastPaused } from '../../store/preferences.ts';
import { formatNumber, formatPercent, formatSeconds, NumberChip, Segmented } from '../../ui/index.ts';
import { STAR_SHADES, LOSS_SHADES } from '../../ui/shades.ts';
import { StarDistribution } from './StarDistribution.tsx';
import { forecastStatus } from './forecastStatus.ts';
import { Endings, type EndingPart } from './Endings.tsx';
import { ExpectRate } from './ExpectRate.tsx';
import { LossMap } from './LossMap.tsx';

interface Props {
  here: LevelContext;
  live: LiveForecast;
  /** Further parts about the level. */
  children?: ReactNode;
}

/** Beside the level: what trials predict of it, always live. */
export function ForecastPanel({ here, live, children }: Props) {
  const { project } = here;
  const dispatch = useAppDispatch();
  const pacer = usePacer();
  const { forecast, stale, done, paused } = live;
  return (
    <aside
      aria-label="Forecast"
      className="w-[470px] shrink-0 overflow-y-auto border-l border-line-strong bg-sheet px-[18px] py-3.5 max-[1100px]:w-[380px] min-[1600px]:w-[620px]"
    >
      <div className="flex items-center">
        <h2 className="mr-2.5 text-[14px]">Forecast</h2>
        <PauseAndGo />
        <span className="grow" />
        <Segmented
          label="Pacer"
          value={pacer.id}
          options={project.pacers.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => dispatch(pacerChosen(id))}
        />
      </div>
      {forecast ? (
        <div
          aria-busy={!paused && (stale || !done)}
          className={stale ? 'opacity-45 transition-opacity duration-150' : ''}
        >
          <Report here={here} forecast={forecast} pacer={pacer} />
          <p role="status" className="mt-2 text-[11.5px] text-ink-3">
            {forecastStatus(live)}
          </p>
        </div>
      ) : (
        <p role="status" className="mt-6 text-ink-3">
          {forecastStatus(live)}
        </p>
      )}
      {children}
    </aside>
  );
}

/** Stops the attempts at the level that is open, and lets them go on; this browser keeps which. */
function PauseAndGo() {
  const paused = useAppSelector((state) => state.view.forecastPaused);
  const dispatch = useAppDispatch();
  return (
    <button
      type="button"
      className="link text-[12px]"
      aria-label={paused ? 'Go on with the forecast' : 'Pause the forecast'}
      onClick={() => {
        preferForecastPaused(!paused);
        dispatch(forecastPaused(!paused));
      }}
    >
      {paused ? 'Go on' : 'Pause'}
    </button>
  );
}

/** Bars of the same name are one: running out of time is one ending, whoever took a life before. */
function endingParts(here: LevelContext, forecast: Forecast): EndingPart[] {
  const parts: EndingPart[] = forecast.stars
    .map((count, stars) => ({
      name: stars === 0 ? 'Cleared' : `Cleared ${'★'.repeat(stars)}`,
      count,
      colour: STAR_SHADES[stars] as string,
      loss: false,
    }))
    .filter((part) => part.count > 0)
    .toReversed();
  const losses = new Map<string, number>();
  for (const ending of forecast.endings) {
    const name = endingName(here, ending);
    losses.set(name, (losses.get(name) ?? 0) + ending.count);
  }
  return [
    ...parts,
    ...[...losses]
      .toSorted((a, b) => b[1] - a[1])
      .map(([name, count], index) => ({ name, count, colour: LOSS_SHADES[Math.min(index, 2)] as string, loss: true })),
  ];
}

/** Reliability of the rate where attempts were broken off. */
function TooCostly({ forecast: { attempts, endings } }: { forecast: Forecast }) {
  const count = endings.reduce((sum, ending) => sum + (ending.rule === TOO_COSTLY ? ending.count : 0), 0);
  if (count === 0) return null;
  return (
    <p role="note" className="mt-3 text-loss">
      Too costly to try: {formatNumber(count)} of {formatNumber(attempts)} attempts were broken off and count as not
      cleared. With fewer enemies, spawners or conditions here, or gates that switch less often, the rate becomes true.
    </p>
  );
}

function Report({ here, forecast, pacer }: { here: LevelContext; forecast: Forecast; pacer: Pacer }) {
  const edit = useEdit();
  const { project, slotId, position } = here;
  const { interval, clearRate } = forecast;
  const wanted = wantedAt(project, position);
  const half = ((interval.high - interval.low) / 2) * 100;
  const below = wanted !== undefined && interval.high < wanted;
  return (
    <>
      <div className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-1.5">
        <div>
          <div className={`text-[38px] leading-none font-[680] [font-stretch:106%] ${below ? 'text-loss' : ''}`}>
            {formatPercent(clearRate)}
          </div>
          <div className="text-ink-3">
            clear it, ±{formatNumber(half, 1)} points
            <span className="sr-only">
              , 95 % interval {formatPercent(interval.low, 1)} to {formatPercent(interval.high, 1)}
            </span>
          </div>
        </div>
        <div className="pb-px">
          <div>
            {forecast.triesToClear === null ? (
              'nobody cleared it'
            ) : (
              <>
                <b>{forecast.triesToClear.toFixed(1)}</b> tries to clear
              </>
            )}
          </div>
          <div>
            {forecast.medianRounds === undefined ? (
              <>
                <b>{forecast.medianSeconds === null ? '—' : formatSeconds(forecast.medianSeconds)}</b> median time
              </>
            ) : (
              <>
                <b>{formatNumber(forecast.medianRounds)}</b> rounds, as the median
              </>
            )}
          </div>
        </div>
        <div className="pb-px">
          <div className="flex items-center gap-1.5">
            wanted
            <NumberChip
              label="Wanted clear rate"
              value={wanted ?? null}
              scale={100}
              unit="%"
              step={0.01}
              min={0}
              max={1}
              digits={1}
              onCommit={(next) => edit(setWanted(project, slotId, next))}
              onClear={() => edit(setWanted(project, slotId, undefined))}
            />
          </div>
          <div className={below ? 'font-semibold text-loss' : 'text-ink-3'}>
            {wanted === undefined ? '' : below ? 'below wanted' : interval.low > wanted ? 'above wanted' : 'as wanted'}
          </div>
        </div>
      </div>
      <TooCostly forecast={forecast} />
      <ExpectRate here={here} forecast={forecast} pacer={pacer} />
      <StarDistribution here={here} forecast={forecast} />
      <h3 className="mt-3.5 mb-1 text-[12.5px]">How attempts end</h3>
      <Endings parts={endingParts(here, forecast)} total={forecast.attempts} />
      {here.level.bout ? null : (
        <>
          <h3 className="mt-3.5 mb-1 text-[12.5px]">Where they are lost</h3>
          <LossMap here={here} forecast={forecast} />
        </>
      )}
    </>
  );
}
