import { everyPacer } from '@stadion/core/forecast/pacers';
import { LEVEL_SHARES, type Meeting } from '@stadion/core/play/bouts';
import type { Bouts } from '@stadion/core/document/model';
import { useMemo } from 'react';
import { useProject } from '../../store/hooks.ts';
import { answerHook } from '../../answers/useAnswer.ts';
import { formatNumber, formatPercent } from '../../ui/index.ts';

const useOdds = answerHook('bout', { kept: 20, settleMs: 120 });

/** Average amounts that a party spends in a bout. @param spent by statistic */
const spentInWords = ({ statistics }: Bouts, spent: readonly number[]): string =>
  spent
    .flatMap((amount, index) => (amount > 0 ? [`${statistics[index]?.name} ${formatNumber(amount, 1)}`] : []))
    .join(', ') || '–';

/** Results of a meeting, by pacer: won, rounds, what is left, who falls, what is spent, how many and which level it takes. */
export function BoutOdds({ bouts, meeting }: { bouts: Bouts; meeting: Meeting }) {
  const project = useProject();
  const pacers = useMemo(() => everyPacer(project), [project]);
  const key = useMemo(() => JSON.stringify([bouts, meeting, pacers]), [bouts, meeting, pacers]);
  const { answer, done, stale } = useOdds({ key, question: () => ({ bouts, meeting, pacers }) });
  const nameOf = (id: string): string => bouts.fighters.find((fighter) => fighter.id === id)?.name ?? id;
  return (
    <div className={`overflow-x-auto py-2 ${stale ? 'opacity-60' : ''}`} aria-busy={!done}>
      <table className="num w-full max-w-[1100px] text-[12px]" aria-label="Odds">
        <thead>
          <tr className="text-left text-ink-2">
            <th scope="col" className="pr-3 pb-1 font-semibold text-ink">
              Result
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              won
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              rounds
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              health left
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              who falls
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              spent
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              {meeting.party.length === 1 ? 'won by one' : `won by a party of 1 to ${meeting.party.length}`}
            </th>
            <th scope="col" className="px-2 pb-1 font-normal">
              party level for {LEVEL_SHARES.map((share) => formatPercent(share)).join(', ')}
            </th>
          </tr>
        </thead>
        <tbody>
          {pacers.map(({ id, name }) => {
            const of = answer?.pacers.find(({ pacer }) => pacer === id);
            const forecast = of?.forecast;
            return (
              <tr key={id} className="border-t border-line">
                <th scope="row" className="py-1 pr-3 text-left font-normal">
                  {name}
                </th>
                {of && forecast && forecast.bouts > 0 ? (
                  <>
                    <td className="px-2">
                      <b className="text-[14px]">{formatPercent(forecast.won.share)}</b>{' '}
                      <span className="whitespace-nowrap text-ink-3">
                        {Math.round(forecast.won.interval.low * 100)}–{formatPercent(forecast.won.interval.high)}
                      </span>
                    </td>
                    <td className="px-2 whitespace-nowrap">
                      {forecast.rounds
                        ? `${formatNumber(forecast.rounds[1])} (${formatNumber(forecast.rounds[0])}–${formatNumber(forecast.rounds[2])})`
                        : '–'}
                      {forecast.ends.endless > 0 ? (
                        <span className="block text-[11px] text-loss">
                          {formatPercent(forecast.ends.endless / forecast.bouts)} never end
                        </span>
                      ) : null}
                    </td>
                    <td className="px-2">{forecast.healthLeft === null ? '–' : formatPercent(forecast.healthLeft)}</td>
                    <td className="px-2">
                      {meeting.party.map(({ fighter }, index) => (
                        <span key={index} className="mr-2 whitespace-nowrap">
                          {nameOf(fighter)} {formatPercent((forecast.falls[index] ?? 0) / forecast.bouts)}
                        </span>
                      ))}
                    </td>
                    <td className="px-2 whitespace-nowrap">{spentInWords(bouts, forecast.spent)}</td>
                    <td className="px-2 whitespace-nowrap">
                      {of.bySize.map((share) => (share === null ? '…' : formatPercent(share))).join(' · ')}
                    </td>
                    <td className="px-2 whitespace-nowrap">
                      {of.levels.map((level) => (level === undefined ? '…' : (level ?? 'none'))).join(' · ')}
                    </td>
                  </>
                ) : (
                  <td colSpan={7} className="px-2 text-ink-3">
                    …
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
