import { useMemo } from 'react';
import { useProject } from '../../store/hooks.ts';
import { useBooks } from '../../answers/useBooks.ts';
import type { PlaythroughsAnswer } from '../../answers/engine/jobs/playthroughs.ts';
import { answerHook, type ComputedAnswer } from '../../answers/useAnswer.ts';
import type { PacerRow } from './useTrials.ts';

export const RUNS = 1000;
const useAnswer = answerHook('playthroughs', { kept: 8, settleMs: 300 });

/** Runs of all pacers through the sequence, once every slot of a pacer is known. */
export function useRuns(rows: readonly PacerRow[]): ComputedAnswer<PlaythroughsAnswer> & { waiting: boolean } {
  const project = useProject();
  const ready = useMemo(
    () =>
      rows.filter(({ entries }) => project.slots.length > 0 && project.slots.every(({ id }) => entries.get(id)?.done)),
    [rows, project.slots],
  );
  const keys = useMemo(
    () => [...new Set(ready.flatMap(({ entries }) => [...entries.values()].map(({ key }) => key)))].toSorted(),
    [ready],
  );
  const books = useBooks(keys);
  const isKnown = keys.length > 0 && keys.every((key) => books.has(key));
  const { run, tiers, tallies, parameters, slots } = project;
  /** Dependencies of the runs, by pacer. */
  const asked = useMemo(() => {
    if (!isKnown) return [];
    const shared = [
      [run, tiers, tallies, slots],
      // Lives, gates and points for a life may follow parameters.
      parameters,
      slots.map(({ levelId }) => project.levels[levelId]?.ending),
    ];
    return ready.map(({ pacer, entries }) => ({
      pacer: pacer.id,
      key: JSON.stringify([pacer, slots.map(({ id }) => entries.get(id)?.key), shared]),
    }));
  }, [isKnown, ready, run, tiers, tallies, slots, parameters, project.levels]);
  const key = asked.length === 0 ? undefined : asked.map((each) => each.key).join();
  const answer = useAnswer(
    key === undefined
      ? null
      : {
          key,
          question: () => ({
            project,
            runs: RUNS,
            known: asked.map((each, index) => ({
              ...each,
              slots: slots.map(({ id }) => [id, books.get(ready[index]?.entries.get(id)?.key ?? '') ?? []]),
            })),
          }),
        },
  );
  return { ...answer, waiting: key === undefined };
}
