import type { Figure } from '@stadion/core/play/scene';
import type { CSSProperties } from 'react';
import { FigureMark, formatNumber } from '../../ui/index.ts';

/** Pixels to a unit: a ground of usual size is drawn about so large. */
const PER_UNIT = 20;
const WIDTH = 250;
const HEIGHT = 42;
const ROOM = WIDTH - 30;

interface Props {
  figures: readonly Figure[];
  /** Units. */
  radius: number;
  /** Units per second; 0 for what stands. */
  speed: number;
  /** Its way along the strip: over and over, there and back, or round a point at a distance (units). */
  way?: 'on' | 'back' | number;
  /** For scale: the player beside it, with its speed. */
  player?: { speed: number; radius: number };
  playerWord: string;
}

/** Seconds from one end to the other. */
const seconds = (speed: number): number => Math.min(60, ROOM / PER_UNIT / Math.max(0.01, speed));

/** Where it is after a second and a half: shown to those who asked for less motion. Pixels. */
const restOf = (speed: number): number => Math.min(ROOM, speed * 1.5 * PER_UNIT);

/** How something goes along the strip. */
const journeyOf = (speed: number): CSSProperties => ({
  animationDuration: `${seconds(speed)}s`,
  ['--way' as string]: `${ROOM}px`,
  ['--rest' as string]: `${restOf(speed)}px`,
});

const CLASS_OF = { on: 'kind-goes', back: 'kind-comes-back', round: 'kind-circles' } as const;

/** A strip has room for so large a circle. Pixels. */
const WIDEST_CIRCLE = 14;

/** How something goes round: as often as on the ground, on a circle that the strip has room for. */
const circleOf = (speed: number, distance: number): CSSProperties => ({
  animationDuration: `${Math.min(60, (2 * Math.PI * distance) / Math.max(0.01, speed))}s`,
  marginLeft: ROOM / 2,
  ['--away' as string]: `${Math.min(WIDEST_CIRCLE, distance * PER_UNIT)}px`,
});

/** A strip on which a kind moves as it will move, with the player for scale. */
export function KindStage({ figures, radius, speed, way = 'on', player, playerWord }: Props) {
  const moves = speed > 0;
  const share = player && moves ? speed / player.speed : undefined;
  const size = (of: number): number => of * 2 * PER_UNIT * 1.2;
  const said = share === undefined ? '' : `${formatNumber(share, 2)} × the ${playerWord}`;
  return (
    <div
      role="img"
      aria-label={
        moves ? `It goes ${formatNumber(speed)} units a second${said === '' ? '' : `, ${said}`}` : 'It stands'
      }
      className="relative overflow-hidden bg-ground"
      style={{ width: WIDTH, height: HEIGHT }}
    >
      {player && moves ? (
        <i className="kind-goes absolute top-0 left-1 opacity-60" style={journeyOf(player.speed)}>
          <i
            className="block rounded-full border border-ink bg-mark"
            style={{ width: player.radius * 2 * PER_UNIT, height: player.radius * 2 * PER_UNIT, marginTop: 5 }}
          />
        </i>
      ) : null}
      <i
        className={`absolute left-1 ${moves ? CLASS_OF[typeof way === 'number' ? 'round' : way] : ''}`}
        style={{
          top: typeof way === 'number' || !(player && moves) ? (HEIGHT - size(radius)) / 2 : HEIGHT / 2 - 2,
          ...(moves ? (typeof way === 'number' ? circleOf(speed, way) : journeyOf(speed)) : {}),
        }}
      >
        <FigureMark figures={figures} size={size(radius)} />
      </i>
      {said === '' ? null : <span className="absolute right-1 bottom-0 text-[11px] text-ink-2">{said}</span>}
    </div>
  );
}
