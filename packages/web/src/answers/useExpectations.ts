import { forecastDone } from '@stadion/core/exchange/contract';
import { checkExpectation, type ExpectationCheck } from '@stadion/core/authoring/findings';
import { useMemo } from 'react';
import { useProject } from '../store/hooks.ts';
import { useForecastsOf } from './usePacerForecasts.ts';
import { useKnownFindings } from './useFindings.ts';

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
