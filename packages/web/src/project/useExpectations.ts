import { forecastDone } from '@stadion/core/contract';
import { checkExpectation, type ExpectationCheck } from '@stadion/core/findings';
import { useEffect, useMemo } from 'react';
import { shallowEqual, useSelector } from 'react-redux';
import { stadionApi } from '../api/stadionApi.ts';
import { useAppDispatch, useProject, useSelection } from './hooks.ts';
import type { RootState } from './store.ts';

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
  return useMemo(
    () =>
      expectations.map((expectation) => {
        if (expectation.is === 'verdict') return checkExpectation(project, expectation, undefined);
        const list = answers[asked.indexOf(expectation.pacer)];
        return checkExpectation(project, expectation, forecastDone(list, expectation.slotId));
      }),
    [project, expectations, asked, answers],
  );
}
