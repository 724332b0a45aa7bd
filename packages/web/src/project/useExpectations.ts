import { checkExpectation, type ExpectationCheck } from '@stadion/core/findings';
import { PACERS } from '@stadion/core/pacers';
import { useMemo } from 'react';
import { useForecastsQuery } from '../api/stadionApi.ts';
import { useProject, useSelection } from './hooks.ts';

/** Every expectation, checked against the judge as it is now and against the forecasts that are known. */
export function useExpectations(): ExpectationCheck[] {
  const project = useProject();
  const { projectId } = useSelection();
  const asked = new Set(project.expectations.flatMap((entry) => (entry.is === 'clearRate' ? [entry.pacer] : [])));
  // One question per pacer, in a fixed order; those nobody expects anything of are not asked.
  const [novice, steady, sharp] = PACERS.map(({ id }) => ({ id, skip: !asked.has(id) }));
  const answers = [
    useForecastsQuery({ projectId, pacer: novice?.id ?? '' }, { skip: novice?.skip ?? true }).data,
    useForecastsQuery({ projectId, pacer: steady?.id ?? '' }, { skip: steady?.skip ?? true }).data,
    useForecastsQuery({ projectId, pacer: sharp?.id ?? '' }, { skip: sharp?.skip ?? true }).data,
  ];
  const [a, b, c] = answers;
  return useMemo(() => {
    const entries = [a, b, c].flatMap((data, index) =>
      (data?.entries ?? []).map((entry) => ({ pacer: PACERS[index]?.id, entry })),
    );
    return project.expectations.map((expectation) => {
      if (expectation.is === 'verdict') return checkExpectation(project, expectation, undefined);
      const found = entries.find(
        ({ pacer, entry }) => pacer === expectation.pacer && entry.slotId === expectation.slotId,
      )?.entry;
      // A forecast under way says nothing yet.
      const known = found?.done ? (found.summary ?? undefined) : undefined;
      return checkExpectation(project, expectation, known);
    });
  }, [project, a, b, c]);
}
