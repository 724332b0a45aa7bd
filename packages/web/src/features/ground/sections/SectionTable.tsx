import type { Id } from '@stadion/core/document/model';
import type { Forecast } from '@stadion/core/forecast/trials';
import type { LevelContext } from '../../../readings/levelContext.ts';
import { formatNumber, formatPercent } from '../../../ui/index.ts';

interface Props {
  /** The level with its whole run. */
  here: LevelContext;
  forecast: Forecast | null;
  onOpen: (section: Id) => void;
}

/** Sections by how often they end an attempt of those who come to them, against their tiers. */
export function SectionTable({ here, forecast, onOpen }: Props) {
  const { ground } = here.level;
  const { parts } = forecast ?? {};
  if (!('sections' in ground) || !parts) return null;
  const rows = ground.sections
    .map((section, index) => {
      const { entered = 0, lost = 0 } = parts[index] ?? {};
      return { section, entered, lost, share: entered === 0 ? Number.NaN : lost / entered };
    })
    .toSorted((one, other) => (other.share || 0) - (one.share || 0));
  const tierShare = (tier: number): number => {
    const own = rows.filter(({ section }) => section.tier === tier);
    const entered = own.reduce((sum, row) => sum + row.entered, 0);
    return entered === 0 ? Number.NaN : own.reduce((sum, row) => sum + row.lost, 0) / entered;
  };
  return (
    <section aria-label="Sections by how often they end attempts" className="mt-2">
      <h3 className="text-[12.5px] font-semibold">Sections by how often they end attempts</h3>
      <table className="mt-1 w-full max-w-[640px] text-[12px]">
        <thead>
          <tr className="text-left text-ink-3">
            <th className="font-normal">Section</th>
            <th className="text-right font-normal">Tier</th>
            <th className="text-right font-normal">Came to it</th>
            <th className="text-right font-normal">Ended there</th>
            <th className="text-right font-normal">Share</th>
            <th className="text-right font-normal">Its tier</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ section, entered, lost, share }) => {
            const usual = tierShare(section.tier);
            const stands = entered >= 20 && share > 2 * usual && lost >= 5;
            return (
              <tr key={section.id} className="border-t border-line">
                <td>
                  <button type="button" className="link" onClick={() => onOpen(section.id)}>
                    {section.name}
                  </button>
                </td>
                <td className="text-right">{section.tier}</td>
                <td className="text-right">{formatNumber(entered)}</td>
                <td className="text-right">{formatNumber(lost)}</td>
                <td className={`text-right font-semibold ${stands ? 'text-loss' : ''}`}>
                  {Number.isNaN(share) ? '—' : formatPercent(share, 1)}
                </td>
                <td className="text-right text-ink-3">{Number.isNaN(usual) ? '—' : formatPercent(usual, 1)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
