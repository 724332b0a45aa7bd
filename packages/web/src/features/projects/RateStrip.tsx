import { formatPercent } from '../../ui/index.ts';

const WIDTH = 120;
const HEIGHT = 22;

/** Clear rates over a sequence as a small picture. @param rates by slot; null where there is none */
export function RateStrip({ rates }: { rates: readonly (number | null)[] }) {
  const known = rates.filter((rate) => rate !== null);
  if (known.length === 0)
    return (
      <span className="inline-block text-[12px] text-ink-3" style={{ width: WIDTH }}>
        not forecast yet
      </span>
    );
  const step = WIDTH / rates.length;
  const said = `Clear rates from ${formatPercent(Math.min(...known))} to ${formatPercent(Math.max(...known))}`;
  return (
    <svg role="img" aria-label={said} width={WIDTH} height={HEIGHT} className="shrink-0">
      <title>{said}</title>
      <line x1="0" x2={WIDTH} y1={HEIGHT - 0.5} y2={HEIGHT - 0.5} stroke="var(--line-strong)" />
      {rates.map((rate, index) =>
        rate === null ? null : (
          <rect
            key={index}
            x={index * step}
            y={HEIGHT - 1 - rate * (HEIGHT - 2)}
            width={Math.max(0.6, step - (step > 3 ? 1 : 0))}
            height={rate * (HEIGHT - 2)}
            fill={rate < 0.5 ? 'var(--loss)' : 'var(--win-2)'}
          />
        ),
      )}
    </svg>
  );
}
