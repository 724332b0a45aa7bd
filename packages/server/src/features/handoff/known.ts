import { forecastDone, type ForecastList } from '@stadion/core/exchange/contract';
import { pacerOf, projectOf, type ProjectDocument } from '@stadion/core/document/model';
import type { KnownForecasts, Rates } from '@stadion/files';

/** Returns the known forecasts of all slots by a pacer. */
type ForecastsBy = (id: string, pacer: string) => Promise<ForecastList>;

/** Returns the known clear rates, by the pacer that the application shows at first. */
export async function knownRates(id: string, document: ProjectDocument, forecastsBy: ForecastsBy): Promise<Rates> {
  const { entries } = await forecastsBy(id, pacerOf(projectOf(document), null).id);
  return new Map(
    entries.flatMap(({ slotId, summary }) =>
      summary ? [[slotId, { clearRate: summary.clearRate, ...summary.interval }]] : [],
    ),
  );
}

/** The forecasts that a project's expectations are held against, as far as they are known. */
export async function knownForecasts(
  id: string,
  document: ProjectDocument,
  forecastsBy: ForecastsBy,
): Promise<KnownForecasts> {
  const expected = projectOf(document).expectations.filter((entry) => entry.is === 'clearRate');
  const lists = new Map<string, ForecastList>();
  for (const pacer of new Set(expected.map((entry) => entry.pacer))) lists.set(pacer, await forecastsBy(id, pacer));
  return new Map(
    expected.flatMap((entry) => {
      const known = forecastDone(lists.get(entry.pacer), entry.slotId);
      return known ? [[entry.id, known]] : [];
    }),
  );
}
