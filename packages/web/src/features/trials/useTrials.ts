import { audienceOf } from '@stadion/core/authoring/edits';
import type { Pacer } from '@stadion/core/document/model';
import { attemptsNeeded, DEFAULT_PRECISION, mixForecasts } from '@stadion/core/forecast/trials';
import { useEffect, useMemo, useRef, useState } from 'react';
import { endingName } from '../../readings/causes.ts';
import { useProject } from '../../store/hooks.ts';
import { levelHere, type LevelContext } from '../../readings/levelContext.ts';
import { bySlot, useForecastsOf, type Forecasts } from '../../answers/usePacerForecasts.ts';
import { shownOf, type Shown } from './measures.ts';

/** Forecasts by one pacer, by slot id. */
export interface PacerRow {
  pacer: Pacer;
  /** Key of the audience among pacers. */
  share: number;
  entries: Forecasts;
}

/** How far all forecasts of the sequence have come. */
export interface Progress {
  done: number;
  of: number;
  /** Attempts that are still to be played, about. */
  attemptsLeft: number;
  /** Attempts that were played of what is known or under way. */
  played: number;
  failed: number;
}

/** All pacers' forecasts of all slots; they are asked for while this is in use. */
export function usePacerRows(): PacerRow[] {
  const project = useProject();
  const { pacers } = project;
  const ids = useMemo(() => pacers.map(({ id }) => id), [pacers]);
  const lists = useForecastsOf(ids);
  const shares = useMemo(() => audienceOf(project), [project]);
  return useMemo(
    () =>
      pacers.map((pacer, index) => ({
        pacer,
        share: shares.get(pacer.id) ?? 0,
        entries: bySlot(lists[index]),
      })),
    [pacers, lists, shares],
  );
}

export function progressOf(rows: readonly PacerRow[], slots: number): Progress {
  let [done, attemptsLeft, failed, played] = [0, 0, 0, 0];
  for (const { entries } of rows) {
    attemptsLeft += (slots - entries.size) * DEFAULT_PRECISION.fewest;
    for (const entry of entries.values()) {
      played += entry.summary?.attempts ?? 0;
      if (entry.done) done++;
      else if (entry.failed) failed++;
      else {
        const { clearRate = 0.8, attempts = 0 } = entry.summary ?? {};
        attemptsLeft += Math.max(0, attemptsNeeded(clearRate, DEFAULT_PRECISION) - attempts);
      }
    }
  }
  return { done, of: rows.length * slots, attemptsLeft, played, failed };
}

/** How fast it went lately is seen over so long. */
const SEEN_MS = 8000;

/** Seconds until everything is known, about; undefined until that can be told. */
export function useSecondsLeft({ attemptsLeft, played, done, of }: Progress): number | undefined {
  const seen = useRef<{ at: number; played: number }[]>([]);
  const [rates, setRates] = useState<readonly number[]>([]);
  useEffect(() => {
    const at = performance.now();
    // Trials of the project before the edit are not continued.
    seen.current = [
      ...seen.current.filter((entry) => at - entry.at < SEEN_MS && entry.played <= played),
      { at, played },
    ];
    const first = seen.current[0];
    const isTold = first !== undefined && at - first.at > 1000 && played > first.played;
    if (isTold) setRates((before) => [...before, ((played - first.played) / (at - first.at)) * 1000].slice(-STEADY));
    else setRates([]);
  }, [played]);
  const rate = steadyRate(rates);
  return done === of || rate === undefined ? undefined : attemptsLeft / rate;
}

/** The number of estimates in a row that must agree. */
const STEADY = 4;
/** The largest ratio between two estimates that agree. */
const AGREES = 1.5;

/** The rate, attempts a second, once the latest estimates agree; undefined while they jump. */
export function steadyRate(rates: readonly number[]): number | undefined {
  if (rates.length < STEADY || Math.max(...rates) > AGREES * Math.min(...rates)) return undefined;
  return rates.reduce((sum, rate) => sum + rate, 0) / rates.length;
}

/** Shares of losses by what ended them: each pacer's own, and those of the mix. */
function causesOf(
  here: LevelContext,
  rows: readonly PacerRow[],
): { own: Map<string, number>[]; mixed: Map<string, number> } {
  const mixed = new Map<string, number>();
  const own = rows.map(({ share, entries }) => {
    const { endings = [], attempts = 1 } = entries.get(here.slotId)?.summary ?? {};
    const lost = endings.reduce((sum, { count }) => sum + count, 0);
    const causes = new Map<string, number>();
    for (const ending of endings) {
      const name = endingName(here, ending);
      causes.set(name, (causes.get(name) ?? 0) + ending.count / lost);
      mixed.set(name, (mixed.get(name) ?? 0) + (share * ending.count) / attempts);
    }
    return causes;
  });
  const all = [...mixed.values()].reduce((sum, share) => sum + share, 0);
  return { own, mixed: new Map([...mixed].map(([name, share]) => [name, all > 0 ? share / all : 0])) };
}

/** Values of the table for every pacer and for the audience, by slot id. @param withCauses also the causes of losses of, which takes a look at every level's rules */
export function useShown(
  rows: readonly PacerRow[],
  withCauses: boolean,
): {
  pacers: ReadonlyMap<string, Shown>[];
  audience: ReadonlyMap<string, Shown>;
} {
  const project = useProject();
  return useMemo(() => {
    const pacers = rows.map(
      ({ entries }) =>
        new Map(
          [...entries].flatMap(([slotId, { summary }]) => (summary ? [[slotId, shownOf(summary)] as const] : [])),
        ),
    );
    const audience = new Map<string, Shown>();
    const counting = rows.filter(({ share }) => share > 0).length;
    project.slots.forEach(({ id }, index) => {
      const parts = rows.flatMap(({ share, entries }) => {
        const forecast = entries.get(id)?.summary;
        return forecast && share > 0 ? [{ share, forecast }] : [];
      });
      if (parts.length === counting) audience.set(id, mixForecasts(parts));
      const here = withCauses ? levelHere(project, index + 1) : undefined;
      if (!here) return;
      const { own, mixed } = causesOf(here, rows);
      pacers.forEach((shown, at) => {
        const entry = shown.get(id);
        if (entry) entry.causes = own[at] ?? new Map();
      });
      const mix = audience.get(id);
      if (mix) mix.causes = mixed;
    });
    return { pacers, audience };
  }, [project, rows, withCauses]);
}
