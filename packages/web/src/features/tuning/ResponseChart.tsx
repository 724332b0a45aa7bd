import type { Brought, TuningLine } from '@stadion/core/forecast/tuning';
import { formatPercent } from '../../ui/index.ts';

interface Props {
  brought: Brought;
  line: TuningLine;
  wanted: number;
  say: (at: number) => string;
}

const [WIDTH, HEIGHT, LEFT, BASE, TOP] = [300, 120, 26, 100, 8];

/** Shares that met the goal along a line, as they come in: a point per value, larger for more attempts. */
export function ResponseChart({ brought, line, wanted, say }: Props) {
  const { min, max, now } = line;
  const x = (at: number): number => LEFT + ((WIDTH - LEFT - 6) * (at - min)) / (max - min || 1);
  const y = (share: number): number => BASE - (BASE - TOP) * share;
  const points = brought.tried.filter(({ attempts }) => attempts > 0);
  const smooth = points.map(({ at }) => {
    // Neighbours within a twelfth of the range lend their attempts.
    let [met, attempts] = [0, 0];
    for (const each of points) {
      const far = Math.abs(each.at - at) / ((max - min) / 12);
      if (far > 1) continue;
      met += each.met * (1 - far / 1.2);
      attempts += each.attempts * (1 - far / 1.2);
    }
    return `${x(at)},${y(met / attempts)}`;
  });
  const first = brought.crossings[0];
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-2 w-full"
      role="img"
      aria-label={`Shares along the range: ${points.map(({ at, met, attempts }) => `${say(at)} ${formatPercent(met / attempts)}`).join(', ')}`}
    >
      {[0, 0.5, 1].map((share) => (
        <g key={share}>
          <line x1={LEFT} x2={WIDTH} y1={y(share)} y2={y(share)} stroke="var(--line)" />
          <text x={LEFT - 4} y={y(share) + 3} fontSize="9" textAnchor="end" fill="var(--ink-3)">
            {share * 100}
          </text>
        </g>
      ))}
      {first ? (
        <rect
          x={x(Math.max(min, first.low))}
          width={Math.max(1, x(Math.min(max, first.high)) - x(Math.max(min, first.low)))}
          y={TOP}
          height={BASE - TOP}
          fill="var(--edit-soft)"
        />
      ) : null}
      <line x1={LEFT} x2={WIDTH} y1={y(wanted)} y2={y(wanted)} stroke="var(--ink)" strokeDasharray="3 2" />
      <polyline points={smooth.join(' ')} fill="none" stroke="var(--win)" strokeWidth="1.5" />
      {points.map(({ at, met, attempts }) => (
        <circle
          key={at}
          cx={x(at)}
          cy={y(met / attempts)}
          r={Math.min(4, 1 + Math.sqrt(attempts) / 8)}
          fill="var(--win)"
          fillOpacity="0.55"
        />
      ))}
      <line x1={x(now)} x2={x(now)} y1={TOP} y2={BASE} stroke="var(--ink-3)" strokeDasharray="1 3" />
      <text x={x(now)} y={BASE + 10} fontSize="9" textAnchor="middle" fill="var(--ink-3)">
        now
      </text>
      {brought.answer ? (
        <path
          d={`M ${x(brought.answer.at)} ${y(brought.answer.share) - 5} l 5 5 l -5 5 l -5 -5 z`}
          fill="var(--mark)"
          stroke="var(--ink)"
          strokeWidth="0.7"
        />
      ) : null}
      <text x={LEFT} y={HEIGHT - 1} fontSize="9" fill="var(--ink-3)">
        {say(min)}
      </text>
      <text x={WIDTH - 2} y={HEIGHT - 1} fontSize="9" textAnchor="end" fill="var(--ink-3)">
        {say(max)}
      </text>
    </svg>
  );
}
