import type { Spot } from '../../grid/index.ts';
import type { Piece } from '../../../document/model/index.ts';
import type { Observed } from '../../rules/index.ts';
import { signFigures } from '../looks.ts';
import type { Area, PreparedLevel } from '../level.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { startPlace } from './start.ts';

/** A goal or a zone, made ready. */
export interface PreparedZone extends Area {
  goal: boolean;
}

/** The goals and zones of a level, in the order of the ground. */
export const zonesOf = ({ motion }: PreparedLevel): readonly PreparedZone[] =>
  motion.pieces.zone as readonly PreparedZone[];

/** Tick of the last cue of each zone, -1 for none. */
export const cuedTicksOf = (state: AttemptState): number[] => state.pieces.zone as number[];

/** Says which zones hold a place; their edges count as inside. */
function seeZones(zones: readonly PreparedZone[], seen: Observed, place: Spot): void {
  for (let i = 0; i < zones.length; i++) {
    const zone = zones[i] as PreparedZone;
    const isIn =
      place.x >= zone.x && place.x <= zone.x + zone.width && place.y >= zone.y && place.y <= zone.y + zone.height;
    seen.inside[i] = isIn ? 1 : 0;
  }
}

/** An area that rules can name. Goals are zones that are drawn as goals. */
export const zone: PieceSort<Extract<Piece, { piece: 'goal' | 'zone' }>, PreparedZone, number[]> = {
  name: 'zone',
  subject: 'zone',
  prepare: ({ piece, at, width, height }) => ({ x: at.x, y: at.y, width, height, goal: piece === 'goal' }),
  observe: (zones, seen, level) => seeZones(zones, seen, startPlace(level)),
  start: (zones) => zones.map(() => -1),
  begin: (state) => seeZones(zonesOf(state.world.level), state.observed, state.body),
  layer: 0,
  scene: (zones, _level, now, looks) =>
    zones.map(({ x, y, width, height, goal }, index) => {
      const cued = now !== undefined && (cuedTicksOf(now.state)[index] as number) >= 0;
      return {
        key: `zone-${index}`,
        figures: [
          {
            is: 'rectangle',
            x: x + 0.07,
            y: y + 0.07,
            width: width - 0.14,
            height: height - 0.14,
            round: 0.25,
            fill: goal ? 'winSoft' : 'sheet',
            stroke: cued ? 'mark' : 'win',
            line: cued ? 0.26 : 0.14,
            ...(goal ? {} : { dash: [0.3, 0.2] }),
          },
          ...signFigures(looks?.zones?.[index], { x, y, width, height }),
        ],
      };
    }),
  contact: (state) => seeZones(zonesOf(state.world.level), state.observed, state.body),
};
