import type { AttemptRow } from '@stadion/core/forecast/trials';
import { useEffect, useState } from 'react';
import { stadionApi } from '../api/stadionApi.ts';
import { useAppDispatch } from '../store/hooks.ts';

/** Number of questions in one request: an edit repeats only requests with a changed question. */
const KEYS_AT_ONCE = 12;

/** Attempt records for runs, by the keys of their questions, as far as they have arrived. */
export function useBooks(keys: readonly string[]): ReadonlyMap<string, readonly AttemptRow[]> {
  const dispatch = useAppDispatch();
  const [books, setBooks] = useState<ReadonlyMap<string, readonly AttemptRow[]>>(new Map());
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
        for (const key of chunk) if (data) found.set(key, data.books[key] ?? []);
      }
      if (isWanted && found.size > books.size) setBooks(found);
    })();
    return () => void (isWanted = false);
  }, [dispatch, wanted, books]);
  return books;
}
