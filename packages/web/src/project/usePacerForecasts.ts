import type { ForecastEvent } from '@stadion/core/contract';
import { useMemo } from 'react';
import { useForecastsQuery } from '../api/stadionApi.ts';
import { usePacer, useSelection } from './hooks.ts';

/** The forecasts of all slots by the chosen pacer, by slot id, as they come from the server. */
export function usePacerForecasts(): Map<string, ForecastEvent> {
  const { projectId } = useSelection();
  const pacer = usePacer().id;
  const { data } = useForecastsQuery({ projectId, pacer });
  return useMemo(() => new Map(data?.entries.map((entry) => [entry.slotId, entry])), [data]);
}
