import { forecastDone } from '@stadion/core/contract';
import { checkExpectation, type ExpectationCheck } from '@stadion/core/findings';
import { useEffect, useMemo } from 'react';
import { shallowEqual, useSelector } from 'react-redux';
import { stadionApi } from '../api/stadionApi.ts';
import { useAppDispatch, useProject, useSelection } from './hooks.ts';
import type { RootState } from './store.ts';
import { useKnownFindings } from './useFindings.ts';

const { forecasts } = stadionApi.endpoints;

/** The forecasts of all slots by several pacers, in the order of the pacers; undefined until they are known. */
function useForecastsOf(pacers: readonly string[]) {
  const { projectId } = useSelection();
  const dispatch = useAppDispatch();
  const asked = pacers.join();
  useEffect(() => {
    const questions = asked
      .split(',')
      .filter(Boolean)
      .map((pacer) => dispatch(forecasts.initiate({ projectId, pacer })));
    return () => {
      for (const question of questions) question.unsubscribe();
    };
  }, [dispatch, projectId, asked]);
  return useSelector(
    (state: RootState) => pacers.map((pacer) => forecasts.select({ projectId, pacer })(state).data),
    shallowEqual,
  );
}

/** Every expectation, checked against the judge as it is now and against the forecasts that are known. */
export function useExpectations(): ExpectationCheck[] {
  const project = useProject();
  const { expectations, pacers } = project;
  // Forecasts by pacers that nobody expects anything of are not asked for.
  const asked = useMemo(() => {
    const expected = new Set(expectations.flatMap((entry) => (entry.is === 'clearRate' ? [entry.pacer] : [])));
    return pacers.map(({ id }) => id).filter((id) => expected.has(id));
  }, [expectations, pacers]);
  const answers = useForecastsOf(asked);
  const { verdicts } = useKnownFindings();
  return useMemo(
    () =>
      expectations.map((expectation): ExpectationCheck => {
        if (expectation.is === 'verdict') {
          const known = verdicts.find((entry) => entry.expectation.id === expectation.id);
          return known ? { ...known, expectation } : { expectation, met: null, said: 'is being looked at' };
        }
        const list = answers[asked.indexOf(expectation.pacer)];
        return checkExpectation(project, expectation, forecastDone(list, expectation.slotId));
      }),
    [project, expectations, asked, answers, verdicts],
  );
}
