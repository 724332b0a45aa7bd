import type { ForecastEvent } from '@stadion/core/exchange/contract';
import { SEVERITIES, sorted, type AttemptsSeen, type Finding, type Severity } from '@stadion/core/authoring/findings';
import { PERFECT_PACER } from '@stadion/core/forecast/pacers';
import { useDeferredValue, useEffect, useMemo, useSyncExternalStore } from 'react';
import { FindingsSource, type FindingsKnown } from './findingsSource.ts';
import { useSelection } from '../address/address.ts';
import { usePacer, useProjectDocument, useProjectPart } from '../store/hooks.ts';
import { usePacerForecasts, usePerfectForecasts } from './usePacerForecasts.ts';

/** One for the page. */
const source = new FindingsSource();

/** Forecasts of a pacer that are done, by slot. */
const doneOf = (pacer: string, forecasts: ReadonlyMap<string, ForecastEvent>): ReadonlyMap<string, AttemptsSeen> =>
  new Map(
    [...forecasts].flatMap(([slotId, { done, summary, pacer: of }]) =>
      done && summary && of === pacer ? [[slotId, summary as AttemptsSeen] as const] : [],
    ),
  );

/** The forecasts that are done, of the pacer that is looked at and of players without mistakes. */
function useSeenAttempts(): ReadonlyMap<string, ReadonlyMap<string, AttemptsSeen>> {
  const pacer = usePacer().id;
  const forecasts = usePacerForecasts();
  const own = useMemo(() => doneOf(pacer, forecasts), [pacer, forecasts]);
  const flawless = usePerfectForecasts(own.size > 0 && own.size === forecasts.size);
  return useMemo(
    () =>
      new Map([
        [pacer, own],
        [PERFECT_PACER.id, doneOf(PERFECT_PACER.id, flawless)],
      ]),
    [pacer, own, flawless],
  );
}

/** Has the open project looked through after every edit. To be called once on the page. */
export function useKeepFindings(): void {
  const { projectId, slotId } = useSelection();
  const document = useDeferredValue(useProjectDocument());
  const seen = useDeferredValue(useSeenAttempts());
  useEffect(() => source.ask(projectId, document, seen, slotId), [projectId, document, seen, slotId]);
}

/** Everything known of the open project; nothing of another. */
export function useKnownFindings(): FindingsKnown {
  const { projectId } = useSelection();
  const known = useSyncExternalStore(source.subscribe, source.known);
  return useMemo(
    () => (known.projectId === projectId ? known : { projectId, findings: [], verdicts: [] }),
    [known, projectId],
  );
}

/** Findings of the open project in the order of the sequence: those that count, and those that are left as they are. */
export function useAllFindings(): { open: readonly Finding[]; left: readonly Finding[] } {
  const leftSo = useProjectPart((project) => project.leftSo);
  const { findings } = useKnownFindings();
  return useMemo(() => {
    if (!leftSo) return { open: findings, left: [] };
    return sorted({ leftSo }, findings);
  }, [leftSo, findings]);
}

/** Has the open project been looked through once? Before that nothing is known, not that nothing is wrong. */
export function useHaveFindingsCome(): boolean {
  const { projectId } = useSelection();
  return useSyncExternalStore(source.subscribe, source.known).projectId === projectId;
}

/** Everything found in the project that counts, in the order of the sequence; it comes shortly after an edit is drawn. */
export const useFindings = (): readonly Finding[] => useAllFindings().open;

/** Number of findings at a slot, and the gravest of them. */
export interface FindingsMark {
  count: number;
  gravest: Severity;
}

function marksOf(findings: readonly Finding[], before: ReadonlyMap<string, FindingsMark>): Map<string, FindingsMark> {
  const marks = new Map<string, FindingsMark>();
  for (const { slotId, severity } of findings) {
    const known = marks.get(slotId);
    const gravest =
      known && SEVERITIES.indexOf(known.gravest) < SEVERITIES.indexOf(severity) ? known.gravest : severity;
    marks.set(slotId, { count: (known?.count ?? 0) + 1, gravest });
  }
  // Unchanged marks stay the same objects.
  for (const [slotId, { count, gravest }] of marks) {
    const same = before.get(slotId);
    if (same?.count === count && same.gravest === gravest) marks.set(slotId, same);
  }
  return marks;
}

let latest: { known: FindingsKnown; leftSo: object | undefined; marks: ReadonlyMap<string, FindingsMark> } | undefined;

/** The mark of the findings at a slot; undefined where there is none. */
export function useFindingsMark(slotId: string): FindingsMark | undefined {
  const { projectId } = useSelection();
  const leftSo = useProjectPart((project) => project.leftSo);
  return useSyncExternalStore(source.subscribe, () => {
    const known = source.known();
    if (known.projectId !== projectId) return undefined;
    if (latest?.known !== known || latest.leftSo !== leftSo) {
      const open = leftSo ? sorted({ leftSo }, known.findings).open : known.findings;
      latest = { known, leftSo, marks: marksOf(open, latest?.marks ?? new Map<string, FindingsMark>()) };
    }
    return latest.marks.get(slotId);
  });
}
