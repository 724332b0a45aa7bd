import type { ForecastEvent, ForecastList } from '@stadion/core/exchange/contract';
import { PERFECT_PACER } from '@stadion/core/forecast/pacers';
import { useEffect, useMemo, useState } from 'react';
import { shallowEqual, useSelector } from 'react-redux';
import { stadionApi, useForecastsQuery } from '../api/stadionApi.ts';
import { useSelection } from '../address/address.ts';
import { useAppDispatch, usePacer } from '../store/hooks.ts';
import type { RootState } from '../store/store.ts';

const { forecasts } = stadionApi.endpoints;

/** The forecasts of all slots by several pacers, in the order of the pacers; undefined until they are known. */
export function useForecastsOf(pacers: readonly string[]): readonly (ForecastList | undefined)[] {
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

/** Forecasts by slot id. */
export type Forecasts = ReadonlyMap<string, ForecastEvent>;

export const bySlot = (list: ForecastList | undefined): Forecasts =>
  new Map(list?.entries.map((entry) => [entry.slotId, entry]));

function useForecastsBy(pacer: string, skip = false): Forecasts {
  const { projectId } = useSelection();
  const { data } = useForecastsQuery({ projectId, pacer }, { skip });
  return useMemo(() => bySlot(data), [data]);
}

/** The forecasts of all slots by the chosen pacer, as they come from the server. */
export const usePacerForecasts = (): Forecasts => useForecastsBy(usePacer().id);

/** The forecast of one slot by the chosen pacer. The track keeps the subscription. */
export function useSlotForecast(slotId: string): ForecastEvent | undefined {
  const { projectId } = useSelection();
  const pacer = usePacer().id;
  const select = useMemo(() => forecasts.select({ projectId, pacer }), [projectId, pacer]);
  return useSelector((state: RootState) => select(state).data?.entries.find((entry) => entry.slotId === slotId));
}

/** Keeps the forecasts by the chosen pacer up to date, without a drawing when one arrives. */
export function useKeepPacerForecasts(): void {
  const { projectId } = useSelection();
  useForecastsQuery({ projectId, pacer: usePacer().id }, { selectFromResult: () => ({}) });
}

/** The forecasts by players without mistakes, asked for once they are wanted for the first time. @param wanted is what matters more known already? */
export function usePerfectForecasts(wanted: boolean): Forecasts {
  const { projectId } = useSelection();
  const [since, setSince] = useState<string>();
  if (wanted && since !== projectId) setSince(projectId);
  return useForecastsBy(PERFECT_PACER.id, since !== projectId);
}
