import { changesBetween, type Change } from '@stadion/core/authoring/changes';
import type { ForecastEvent, Snapshot } from '@stadion/core/exchange/contract';
import { projectOf } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';
import { differenceOf, pairedDifference, type ShareDifference } from '@stadion/core/basics/stats';
import { unpackWins } from '@stadion/core/forecast/trials';
import { useMemo } from 'react';
import { useSnapshotForecastsQuery, useSnapshotQuery } from '../api/stadionApi.ts';
import { useSelection } from '../address/address.ts';
import { useAppSelector, usePacer, useProject } from '../store/hooks.ts';
import { rampsOf } from './ramps.ts';

/** The snapshot that the open project is compared with. */
export interface Compared {
  snapshot: Snapshot;
  /** Its ramps, over as many positions as the open project's lanes show. */
  rows: Map<string, RampRow>;
}

/** The compared snapshot of the address; undefined without one, or until it has arrived. */
export function useCompared(): Compared | undefined {
  const { projectId, compared } = useSelection();
  const count = useProject().slots.length;
  const levelsPastEnd = useAppSelector((state) => state.view.levelsPastEnd);
  const { currentData } = useSnapshotQuery({ projectId, snapshotId: compared ?? '' }, { skip: compared === undefined });
  return useMemo(
    () =>
      currentData && {
        snapshot: currentData,
        rows: rampsOf(projectOf(currentData.document), count + levelsPastEnd).rows,
      },
    [currentData, count, levelsPastEnd],
  );
}

/** How the open project differs from what it is compared with. */
export function useChanges(): Change[] {
  const project = useProject();
  const compared = useCompared();
  const before = compared?.snapshot.document;
  return useMemo(() => (before ? changesBetween(projectOf(before), project) : []), [before, project]);
}

/** A slot's clear rate before and now. */
export interface RateChange extends ShareDifference {
  /** Values of the compared snapshot. */
  before: number;
  /** Both ask the same: nothing that bears on it has changed. */
  same: boolean;
}

const countOf = ({ summary }: ForecastEvent) => ({
  successes: Math.round((summary?.clearRate ?? 0) * (summary?.attempts ?? 0)),
  trials: summary?.attempts ?? 0,
});

/** The same attempts judged two ways are compared one by one; others as what they are, independent. */
function between(before: ForecastEvent, after: ForecastEvent): ShareDifference {
  const winsOf = ({ summary }: ForecastEvent): boolean[] | undefined =>
    summary?.wins === undefined ? undefined : unpackWins(summary.wins, summary.attempts);
  const [was, is] = [winsOf(before), winsOf(after)];
  if (before.motion === after.motion && was && is) return pairedDifference(was, is);
  return differenceOf(countOf(before), countOf(after));
}

const rateChange = (before: ForecastEvent, after: ForecastEvent): RateChange | undefined => {
  if (!before.summary || !after.summary) return undefined;
  const same = before.key === after.key;
  const difference = same ? { difference: 0, low: 0, high: 0 } : between(before, after);
  return { ...difference, before: before.summary.clearRate, same };
};

/** Difference of a slot's clear rate from the compared snapshot, where both are known. @param now the slot's forecast */
export function useRateChange(slotId: string, now: ForecastEvent | undefined): RateChange | undefined {
  const { projectId, compared } = useSelection();
  const pacer = usePacer().id;
  const { before } = useSnapshotForecastsQuery(
    { projectId, snapshotId: compared ?? '', pacer },
    {
      skip: compared === undefined,
      selectFromResult: ({ currentData }) => ({
        before: currentData?.entries.find((entry) => entry.slotId === slotId),
      }),
    },
  );
  return useMemo(() => (before && now ? rateChange(before, now) : undefined), [before, now]);
}

/** Differences of clear rates from the compared snapshot, by slot id, where both are known. */
export function useRateChanges(now: ReadonlyMap<string, ForecastEvent>): Map<string, RateChange> {
  const { projectId, compared } = useSelection();
  const pacer = usePacer().id;
  const { currentData } = useSnapshotForecastsQuery(
    { projectId, snapshotId: compared ?? '', pacer },
    { skip: compared === undefined },
  );
  return useMemo(() => {
    const changes = new Map<string, RateChange>();
    for (const before of currentData?.entries ?? []) {
      const after = now.get(before.slotId);
      const change = after && rateChange(before, after);
      if (change) changes.set(before.slotId, change);
    }
    return changes;
  }, [currentData, now]);
}

const points = (share: number): string => String(Math.round(Math.abs(share) * 1000) / 10);

/** A change of a clear rate with its interval. @example 'better by 4 ± 2.1 points than the 45 % compared with' */
export function rateChangeInWords({ difference, low, high, before, same }: RateChange): string {
  const than = `the ${Math.round(before * 100)} % compared with`;
  if (same) return `the same as ${than}: nothing that bears on it has changed`;
  const spread = points((high - low) / 2);
  if (low <= 0 && high >= 0)
    return `not surely other than ${than}: ${difference < 0 ? '−' : '+'}${points(difference)} ± ${spread} points`;
  return `${difference > 0 ? 'easier' : 'harder'} by ${points(difference)} ± ${spread} points than ${than}`;
}
