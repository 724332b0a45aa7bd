import type { Figure } from '@stadion/core/play/scene';
import { colourOfTone } from './paint.ts';

/** Figures within one unit round 0, 0 as a small picture in a line of text. */
export function FigureMark({ figures, size = 16 }: { figures: readonly Figure[]; size?: number }) {
  return (
    <svg aria-hidden viewBox="-0.6 -0.6 1.2 1.2" width={size} height={size} className="shrink-0">
      {figures.map((figure, index) => (
        <Drawn key={index} figure={figure} />
      ))}
    </svg>
  );
}

function Drawn({ figure }: { figure: Figure }) {
  const ink = {
    fill: figure.fill === undefined ? 'none' : colourOfTone(figure.fill),
    ...(figure.stroke === undefined
      ? {}
      : {
          stroke: colourOfTone(figure.stroke),
          strokeWidth: figure.line ?? 0.1,
          strokeDasharray: figure.dash?.join(' '),
        }),
  };
  switch (figure.is) {
    case 'circle':
      return <circle cx={figure.x} cy={figure.y} r={figure.radius} {...ink} />;
    case 'rectangle':
      return (
        <rect x={figure.x} y={figure.y} width={figure.width} height={figure.height} rx={figure.round ?? 0} {...ink} />
      );
    case 'polygon':
      return <polygon points={figure.points.join(' ')} {...ink} />;
    case 'line':
      return <polyline points={figure.points.join(' ')} {...ink} />;
    case 'hatch':
      return (
        <>
          {[0.25, 0.5, 0.75].map((share) => (
            <line
              key={share}
              x1={figure.x + figure.width * (share - 0.25)}
              x2={figure.x + figure.width * (share + 0.25)}
              y1={figure.y + figure.height}
              y2={figure.y}
              {...ink}
            />
          ))}
        </>
      );
  }
}
