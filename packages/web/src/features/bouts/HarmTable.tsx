import { harmTable, type BoutWorld, type Harm } from '@stadion/core/play/bouts';
import { useMemo } from 'react';
import { formatNumber } from '../../ui/index.ts';
import { namesIn } from '../../sentences/boutNames.ts';

/** Words of a cell beside its numbers. */
const markOf = ({ cannotHurt, one }: Harm): { text: string; look: string } | null => {
  if (cannotHurt) return { text: 'cannot hurt', look: 'text-ink-3 italic' };
  if (one === 'always') return { text: 'one hit', look: 'font-semibold' };
  return one === 'at best' ? { text: 'one hit at best', look: 'text-ink-2' } : null;
};

/** Hits to beat, for every action of everybody against everybody of the other side: the number that balancing turns on. */
export function HarmTable({ world }: { world: BoutWorld }) {
  const names = namesIn(world);
  const harms = useMemo(() => harmTable(world), [world]);
  const sides = [
    { title: 'Our actions', from: 0, to: world.ours, against: [world.ours, world.fighters.length] as const },
    { title: 'Their actions', from: world.ours, to: world.fighters.length, against: [0, world.ours] as const },
  ];
  return (
    <div className="flex flex-wrap items-start gap-x-8 gap-y-3 py-2">
      {sides.map(({ title, from, to, against }) => {
        const targets = names.slice(...against).map((name, index) => ({ name, target: against[0] + index }));
        const rows = harms.filter(({ actor, target }) => actor >= from && actor < to && target === against[0]);
        return (
          <table key={title} className="num text-[12px]" aria-label={`${title}: hits to beat`}>
            <thead>
              <tr>
                <th scope="col" className="pr-3 pb-1 text-left font-semibold">
                  {title}: hits to beat
                </th>
                {targets.map(({ name }) => (
                  <th
                    key={name}
                    scope="col"
                    className="max-w-[110px] truncate px-2 pb-1 text-left font-normal text-ink-2"
                  >
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ actor, action }) => (
                <tr key={`${actor} ${action}`} className="border-t border-line">
                  <th scope="row" className="py-0.5 pr-3 text-left font-normal">
                    {names[actor]}: {world.bout.actions[action]?.name}
                  </th>
                  {targets.map(({ target }) => {
                    const harm = harms.find(
                      (each) => each.actor === actor && each.action === action && each.target === target,
                    );
                    const mark = harm && markOf(harm);
                    return (
                      <td key={target} className="px-2 py-0.5 align-top">
                        {harm && !harm.cannotHurt ? (
                          <>
                            <b className="text-[14px]">{formatNumber(harm.hits)}</b>{' '}
                            <span className="text-ink-3">
                              {harm.least === harm.most
                                ? formatNumber(harm.mean)
                                : `${formatNumber(harm.least)}–${formatNumber(harm.most)}`}
                            </span>
                          </>
                        ) : null}
                        {mark ? <span className={`block text-[11px] ${mark.look}`}>{mark.text}</span> : null}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        );
      })}
    </div>
  );
}
