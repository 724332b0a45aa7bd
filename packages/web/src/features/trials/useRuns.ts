import type { BookedRow } from '@stadion/core/trials';
import { useEffect, useMemo, useState } from 'react';
import { stadionApi } from '../../api/stadionApi.ts';
import { useAppDispatch, useProject } from '../../project/hooks.ts';
import { workerHook, type WorkerAnswer } from '../../project/useWorkerAnswer.ts';
import type { RunsAnswer, RunsRequest } from '../../workers/runs.worker.ts';
import type { PacerRow } from './useTrials.ts';

export const RUNS = 1000;
/** So many questions are asked for at once: what an edit changes is asked for anew with few others. */
const KEYS_AT_ONCE = 12;

const useAnswer = workerHook<RunsRequest, RunsAnswer>(
  () => new Worker(new URL('../../workers/runs.worker.ts', import.meta.url), { type: 'module' }),
  { kept: 8, settleMs: 300 },
);

/** What runs need of attempts, by the keys of their questions, as far as it has come. */
function useBooks(keys: readonly string[]): ReadonlyMap<string, readonly BookedRow[]> {
  const dispatch = useAppDispatch();
  const [books, setBooks] = useState<ReadonlyMap<string, readonly BookedRow[]>>(new Map());
  const wanted = keys.join();
  useEffect(() => {
    const missing = wanted.split(',').filter((key) => key !== '' && !books.has(key));
    if (missing.length === 0) return;
    let isWanted = true;
    void (async () => {
      const found = new Map(books);
      for (let i = 0; i < missing.length; i += KEYS_AT_ONCE) {
        const chunk = missing.slice(i, i + KEYS_AT_ONCE);
        const { data } = await dispatch(stadionApi.endpoints.books.initiate(chunk, { subscribe: false }));
        for (const key of chunk) found.set(key, data?.books[key] ?? []);
      }
      if (isWanted) setBooks(found);
    })();
    return () => void (isWanted = false);
  }, [dispatch, wanted, books]);
  return books;
}

/** Runs of all pacers through the sequence, once every slot of a pacer is known. */
export function useRuns(rows: readonly PacerRow[]): WorkerAnswer<RunsAnswer> & { waiting: boolean } {
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
  const { run, tiers, tallies, parameters, slots, pacers } = project;
  const key = useMemo(
    () =>
      isKnown
        ? JSON.stringify([
            ready.map(({ pacer, entries }) => [pacer.id, slots.map(({ id }) => entries.get(id)?.key)]),
            [run, tiers, tallies, slots, pacers],
            // Lives, gates and points for a life may follow parameters.
            parameters,
            slots.map(({ levelId }) => project.levels[levelId]?.ending),
          ])
        : undefined,
    [isKnown, ready, run, tiers, tallies, slots, pacers, parameters, project.levels],
  );
  const answer = useAnswer(
    key === undefined
      ? null
      : {
          key,
          request: () => ({
            project,
            runs: RUNS,
            known: ready.map(({ pacer, entries }) => [
              pacer.id,
              slots.map(({ id }) => [id, books.get(entries.get(id)?.key ?? '') ?? []]),
            ]),
          }),
        },
  );
  return { ...answer, waiting: key === undefined };
}
