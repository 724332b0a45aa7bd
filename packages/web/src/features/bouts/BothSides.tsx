import type { BoutWorld } from '@stadion/core/play/bouts';
import { formatNumber } from '../../ui/index.ts';
import { namesIn } from '../../sentences/boutNames.ts';

/** Every statistic of everybody, side by side: a bar as long as its share of the largest. */
export function BothSides({ world }: { world: BoutWorld }) {
  const { bout, fighters, ours } = world;
  const names = namesIn(world);
  return (
    <div className="overflow-x-auto py-2">
      <table className="num text-[12px]" aria-label="Statistics of both sides">
        <thead>
          <tr>
            <td />
            {names.map((name, index) => (
              <th
                key={name}
                scope="col"
                className={`max-w-[120px] truncate px-2 pb-1 text-left font-semibold ${index === ours ? 'border-l-2 border-line-strong' : ''} ${index < ours ? 'text-win' : 'text-loss'}`}
              >
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {bout.statistics.map(({ key, name }, s) => {
            const most = Math.max(1, ...fighters.map(({ statistics }) => statistics[s] ?? 0));
            return (
              <tr key={key}>
                <th scope="row" className="pr-3 text-left font-normal text-ink-2">
                  {name}
                </th>
                {fighters.map(({ statistics }, index) => {
                  const value = statistics[s] ?? 0;
                  return (
                    <td key={index} className={`px-2 ${index === ours ? 'border-l-2 border-line-strong' : ''}`}>
                      <span className="flex w-[92px] items-center gap-1.5">
                        <span className="w-9 text-right">{formatNumber(value)}</span>
                        <i
                          aria-hidden
                          className={`block h-[7px] ${index < ours ? 'bg-win' : 'bg-loss'}`}
                          style={{ width: `${(value / most) * 46}px` }}
                        />
                      </span>
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
