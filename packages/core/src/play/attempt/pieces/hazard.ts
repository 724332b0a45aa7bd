import { cellsIn } from '../../grid/index.ts';
import type { Look, Piece } from '../../../document/model/index.ts';
import { mixFloat } from '../../../basics/random/index.ts';
import { asItIs, MOST } from '../following.ts';
import type { Area, PreparedLevel } from '../level.ts';
import { markFigures } from '../looks.ts';
import type { Figure } from '../mark.ts';
import { hurtPlayer } from '../touching.ts';
import type { AttemptState, PieceSort, Preparing } from '../types.ts';
import { TICK_SECONDS } from '../../rules/index.ts';

interface PreparedHazard extends Area {
  kind: number;
}

/** The hazards of a level, in the order of the ground. */
export const hazardsOf = ({ motion }: PreparedLevel): readonly PreparedHazard[] =>
  motion.pieces.hazard as readonly PreparedHazard[];

/** Index of a kind of hazard; what touches is counted by enemies first. */
export const hazardKind = ({ project, resolving }: Preparing, id: string): number =>
  (resolving.subjects.toucher.get(id) as number) - project.kinds.enemies.length;

/** Returns the present damage of a kind of hazard: health at a touch, or per second. */
export const hazardDamage = ({ world, dials }: AttemptState, kind: number): number => {
  const definition = world.level.motion.kindsOfHazard[kind];
  return definition ? asItIs(definition.damage, definition.liveDamage, dials, 0, MOST) : 0;
};

/** Kinds of hazard that were stood in at the last tick: 1 or 0. */
const stoodInOf = (state: AttemptState): number[] => state.pieces.hazard as number[];

/** A kind's own mark in the middle of its area. */
function signOf(look: Look | undefined, { x, y, width, height }: Area): Figure[] {
  const radius = Math.min(0.45, width / 2, height / 2);
  return look ? markFigures(look, x + width / 2, y + height / 2, radius * 0.8) : [];
}

/** Hurts whoever stands in it with its middle, at a touch or per second. */
export const hazard: PieceSort<Extract<Piece, { piece: 'hazard' }>, PreparedHazard, number[]> = {
  name: 'hazard',
  prepare: ({ kind, at, width, height }, preparing) => ({
    x: at.x,
    y: at.y,
    width,
    height,
    kind: hazardKind(preparing, kind),
  }),
  avoids: (area, grid) => cellsIn(grid, area),
  start: (_pieces, { world }) => world.level.motion.kindsOfHazard.map(() => 0),
  touch(state) {
    const { body, observed } = state;
    const hazards = hazardsOf(state.world.level);
    const { kindsOfHazard, kindsOfEnemy } = state.world.level.motion;
    // A player who is carried over a hazard does not stand in it.
    for (let i = 0; i < hazards.length && !state.carried; i++) {
      const area = hazards[i] as PreparedHazard;
      if (body.x < area.x || body.x > area.x + area.width) continue;
      if (body.y + body.half < area.y || body.y - body.half > area.y + area.height) continue;
      observed.touching[kindsOfEnemy + area.kind] = 1;
    }
    const stoodIn = stoodInOf(state);
    for (let kind = 0; kind < kindsOfHazard.length; kind++) {
      const { perSecond } = kindsOfHazard[kind] as (typeof kindsOfHazard)[number];
      const damage = hazardDamage(state, kind);
      const now = observed.touching[kindsOfEnemy + kind] as number;
      if (now === 1 && perSecond) hurtPlayer(state, damage * TICK_SECONDS);
      else if (now === 1 && stoodIn[kind] === 0) hurtPlayer(state, damage);
      stoodIn[kind] = now;
    }
  },
  hurts: (hazards) => hazards.length > 0,
  layer: 0,
  // Kinds differ by their strokes: one that hurts by the second lies lightly, one that hurts at a touch stands out.
  scene: (hazards, { motion }, _now, looks) =>
    hazards.map(({ kind, ...area }, index) => ({
      key: `hazard-${index}`,
      figures: [
        { is: 'rectangle', ...area, fill: 'lossSoft' },
        { is: 'hatch', ...area, stroke: 'loss', line: motion.kindsOfHazard[kind]?.perSecond === true ? 0.03 : 0.07 },
        ...signOf(looks?.hazards[kind], area),
      ],
    })),
  forget: (state) => void stoodInOf(state).fill(0),
  hash: (state, hash) => stoodInOf(state).reduce((sum, value) => mixFloat(sum, value), hash),
};
