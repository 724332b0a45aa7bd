import type { Mover } from '@stadion/core/forecast/tuning';
import { useGoto, useSelection } from '../../address/address.ts';
import { usePacer, useProject } from '../../store/hooks.ts';
import { formatNumber } from '../../ui/index.ts';
import { useMovers } from '../../answers/useMovers.ts';

const points = (share: number): string => `${share < 0 ? '−' : '+'}${formatNumber(Math.abs(share) * 100, 1)}`;

/** The parameters that act at the selected level, by how much one step of each moves its clear rate. */
export function MoversList() {
  const project = useProject();
  const { position } = useSelection();
  const goto = useGoto();
  const pacer = usePacer();
  const { answer, done, stale } = useMovers(project, position, pacer);
  if (!answer)
    return (
      <p role="status" className="text-ink-3">
        Levels a little to every side of this one are being played…
      </p>
    );
  const { movers, attempts, cleared, keys } = answer.found;
  if (keys.length === 0) return <p className="text-ink-2">No parameter acts at this level.</p>;
  const most = Math.max(
    0.01,
    ...movers.map(({ interval }) => Math.max(Math.abs(interval.low), Math.abs(interval.high))),
  );
  const oneWay = cleared === 0 ? 'Nobody clears it' : cleared === attempts ? 'Everybody clears it' : undefined;
  return (
    <div className={stale ? 'opacity-45 transition-opacity duration-150' : ''} aria-busy={stale || !done}>
      {movers.length === 0 ? (
        <p className="text-ink-2">
          {oneWay
            ? `${oneWay} also a little to every side of it: no step of a parameter tells.`
            : 'There are too few attempts to tell yet.'}
        </p>
      ) : (
        <table aria-label="What moves the clear rate" className="w-full text-[12.5px]">
          <thead className="text-left text-[11.5px] text-ink-3">
            <tr>
              <th scope="col" className="font-normal">
                a step of
              </th>
              <th scope="col" className="w-[38%] font-normal">
                <span className="sr-only">picture</span>
              </th>
              <th scope="col" className="text-right font-normal">
                moves it by, points
              </th>
            </tr>
          </thead>
          <tbody>
            {movers.map((mover) => (
              <Row
                key={mover.key}
                mover={mover}
                most={most}
                onOpen={() => goto({ screen: 'ramps', lane: mover.key })}
              />
            ))}
          </tbody>
        </table>
      )}
      <p role="status" className="mt-1 text-[11.5px] text-ink-3">
        {stale
          ? 'Trying the edit…'
          : `${formatNumber(attempts)} attempts around this level, all parameters drawn at once${done ? '' : ', more are coming'}; whiskers: 95 %`}
      </p>
    </div>
  );
}

function Row({ mover, most, onOpen }: { mover: Mover; most: number; onOpen: () => void }) {
  const project = useProject();
  const { key, step, effect, interval } = mover;
  const parameter = project.parameters.find((entry) => entry.key === key);
  const sure = interval.low > 0 || interval.high < 0;
  const x = (share: number): number => 50 + (share / most) * 48;
  const shownStep =
    parameter?.number === 'share'
      ? `${formatNumber(step * 100, 1)} points`
      : `${formatNumber(step, 3)} ${parameter?.unit ?? ''}`;
  return (
    <tr className={`border-t border-line ${sure ? '' : 'text-ink-3'}`}>
      <td className="py-0.5 pr-2">
        <button type="button" className="link" onClick={onOpen}>
          {parameter?.label ?? key}
        </button>{' '}
        <span className="text-[11.5px] whitespace-nowrap text-ink-3">+{shownStep}</span>
      </td>
      <td>
        <svg width="100%" height="16" viewBox="0 0 100 16" preserveAspectRatio="none" aria-hidden>
          <line x1="50" x2="50" y1="0" y2="16" stroke="var(--line-strong)" vectorEffect="non-scaling-stroke" />
          <rect
            x={Math.min(50, x(effect))}
            y="4"
            width={Math.abs(x(effect) - 50)}
            height="8"
            fill={effect < 0 ? 'var(--loss)' : 'var(--win)'}
            fillOpacity={sure ? 1 : 0.4}
          />
          <line
            x1={x(interval.low)}
            x2={x(interval.high)}
            y1="8"
            y2="8"
            stroke="var(--ink)"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
      </td>
      <td className="text-right whitespace-nowrap">
        <b className={sure ? '' : 'font-normal'}>{points(effect)}</b>{' '}
        <span className="text-ink-3">± {formatNumber(((interval.high - interval.low) / 2) * 100, 1)}</span>
      </td>
    </tr>
  );
}
