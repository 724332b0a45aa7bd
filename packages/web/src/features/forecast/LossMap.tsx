import { useMemo } from 'react';
import { colourOfKind } from '../../app/groundColours.ts';
import type { LevelHere } from '../../app/levelHere.ts';

/** Where attempts are lost, on the ground. */
export function LossMap({ here, lostAt }: { here: LevelHere; lostAt: readonly number[] }) {
  const { level, project } = here;
  const { rows, pieces } = level.ground;
  const width = rows[0]?.length ?? 1;
  const height = rows.length;
  const walls = useMemo(
    () =>
      rows
        .map((row, y) =>
          [...row]
            .map((cell, x) => (cell === '#' ? `M${x} ${y}h1v1h-1z` : cell === '~' ? `M${x} ${y}h1v.3h-1z` : ''))
            .join(''),
        )
        .join(''),
    [rows],
  );
  const places: [number, number][] = [];
  for (let i = 0; i + 1 < lostAt.length; i += 2) places.push([lostAt[i] as number, lostAt[i + 1] as number]);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block max-h-44 min-[1600px]:max-h-80 w-full bg-ground"
      role="img"
      aria-label={`${places.length} lost attempts, where they ended`}
    >
      <path d={walls} fill="var(--wall)" />
      {pieces.map((piece) => {
        if (piece.piece === 'collectable')
          return (
            <circle key={piece.id} cx={piece.at.x} cy={piece.at.y} r=".17" fill={colourOfKind(project, piece.kind)} />
          );
        if (piece.piece === 'hazard' || piece.piece === 'gate')
          return (
            <rect
              key={piece.id}
              x={piece.at.x}
              y={piece.at.y}
              width={piece.width}
              height={piece.height}
              fill={piece.piece === 'gate' ? 'var(--edit)' : 'var(--loss-soft)'}
              fillOpacity={piece.piece === 'gate' ? 0.55 : 1}
            />
          );
        if (piece.piece === 'goal')
          return (
            <rect
              key={piece.id}
              x={piece.at.x}
              y={piece.at.y}
              width={piece.width}
              height={piece.height}
              rx=".2"
              fill="none"
              stroke="var(--win)"
              strokeWidth=".16"
            />
          );
        if (piece.piece === 'start')
          return (
            <circle
              key={piece.id}
              cx={piece.at.x}
              cy={piece.at.y}
              r=".3"
              fill="var(--mark)"
              stroke="var(--ink)"
              strokeWidth=".08"
            />
          );
        return null;
      })}
      {places.map(([x, y], index) => (
        <circle key={index} cx={x} cy={y} r=".3" fill="var(--loss)" fillOpacity=".2" />
      ))}
    </svg>
  );
}
