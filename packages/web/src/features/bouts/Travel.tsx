import { memoizeByObject } from '@stadion/core/basics/memo';
import type { Project } from '@stadion/core/document/model';
import { everyPacer } from '@stadion/core/forecast/pacers';
import { hasBouts, MOST_TRIES, type Travelled } from '@stadion/core/forecast/trials';
import { useProject } from '../../store/hooks.ts';
import { answerHook } from '../../answers/useAnswer.ts';
import { formatNumber } from '../../ui/index.ts';

const useAnswer = answerHook('travel', { kept: 4, settleMs: 400 });

let projects = 0;
/** A document stays the same object until it is edited. */
const keyOf = memoizeByObject((_project: Project) => String(++projects));

/** How far the players of one pacer come. */
export interface Journey {
  id: string;
  name: string;
  /** The known part, from the first slot on. */
  along: readonly Travelled[];
}

/** How far the players of every pacer come along the sequence, and whether that is of an earlier document. */
export function useTravel(project: Project): { journeys: Journey[]; stale: boolean; done: boolean } {
  const { answer, done, stale } = useAnswer(
    hasBouts(project) ? { key: keyOf(project), question: () => ({ project }) } : null,
  );
  const along = new Map(answer?.pacers.map((each) => [each.pacer, each.along]));
  const journeys = everyPacer(project).map(({ id, name }) => ({ id, name, along: along.get(id) ?? [] }));
  return { journeys, stale, done };
}

const SECONDS_IN_AN_HOUR = 3600;

function perHour(many: number, { seconds }: Travelled): string {
  if (seconds <= 0) return '–';
  const hourly = (many / seconds) * SECONDS_IN_AN_HOUR;
  return formatNumber(hourly, hourly < 100 ? 1 : 0);
}

/** Result of the sequence for the players of each pacer: its duration, and the things gained in an hour. */
export function TravelTable({ journeys, things }: { journeys: readonly Journey[]; things: readonly string[] }) {
  const { slots } = useProject();
  return (
    <div className="overflow-x-auto py-2">
      <table className="num max-w-[1100px] text-[12px]" aria-label="By pacer">
        <thead>
          <tr className="text-left text-ink-2">
            <th scope="col" className="pr-6 pb-1 font-semibold text-ink">
              Pacer
            </th>
            {[
              'time to the end',
              'fights won',
              'party level',
              'coins an hour',
              ...things.map((name) => `${name} an hour`),
            ].map((head) => (
              <th key={head} scope="col" className="px-3 pb-1 text-right font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {journeys.map(({ id, name, along }) => {
            const last = along.at(-1);
            const isThere = along.length === slots.length;
            return (
              <tr key={id} className={`border-t border-line text-right ${isThere ? '' : 'text-ink-3'}`}>
                <th scope="row" className="py-1 pr-6 text-left font-normal whitespace-nowrap">
                  {name}
                </th>
                {last ? (
                  <>
                    <td className="px-3 whitespace-nowrap">
                      {formatNumber(last.seconds / 60, 1)} min{isThere ? '' : ` to level ${last.position}`}
                    </td>
                    <td className="px-3 whitespace-nowrap">
                      {formatNumber(last.won, 1)} of {formatNumber(last.fought, 1)}
                    </td>
                    <td className="px-3 font-semibold">{last.level}</td>
                    <td className="px-3">{perHour(last.coins, last)}</td>
                    {things.map((thing) => (
                      <td key={thing} className="px-3">
                        {perHour(last.dropped.get(thing) ?? 0, last)}
                      </td>
                    ))}
                  </>
                ) : (
                  <td colSpan={4 + things.length}>…</td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 max-w-[900px] text-[12px] text-ink-3">
        Twelve attempts at each level. A player who does not clear it tries again, {MOST_TRIES} times at most, and keeps
        what it has won. On the way the party has the level that it has reached; a bout that decides a level sets its
        own.
      </p>
    </div>
  );
}
