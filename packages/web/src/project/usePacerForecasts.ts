import type { ForecastEvent } from '@stadion/core/contract';
import { PERFECT_PACER } from '@stadion/core/pacers';
import { useMemo, useState } from 'react';
import { useForecastsQuery } from '../api/stadionApi.ts';
import { usePacer, useSelection } from './hooks.ts';

/** By slot id. */
type Forecasts = ReadonlyMap<string, ForecastEvent>;

function useForecastsBy(pacer: string, skip = false): Forecasts {
  const { projectId } = useSelection();
  const { data } = useForecastsQuery({ projectId, pacer }, { skip });
  return useMemo(() => new Map(data?.entries.map((entry) => [entry.slotId, entry])), [data]);
}

/** The forecasts of all slots by the chosen pacer, as they come from the server. */
export const usePacerForecasts = (): Forecasts => useForecastsBy(usePacer().id);

/** The forecasts by players without mistakes, asked for once they are wanted for the first time. @param wanted is what matters more known already? */
export function usePerfectForecasts(wanted: boolean): Forecasts {
  const { projectId } = useSelection();
  const [since, setSince] = useState<string>();
  if (wanted && since !== projectId) setSince(projectId);
  return useForecastsBy(PERFECT_PACER.id, since !== projectId);
}
