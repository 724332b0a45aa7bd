import type { PieceName } from '../../document/model/index.ts';

/** The colours of a picture of a ground, by role; a number is the place of a kind of collectable in the project's list. */
export type Tone =
  | 'ground'
  | 'wall'
  | 'ink'
  | 'mark'
  | 'win'
  | 'winSoft'
  | 'loss'
  | 'lossSoft'
  | 'edit'
  | 'sheet'
  | number;

/** How a figure is filled and drawn round. */
interface Ink {
  fill?: Tone;
  stroke?: Tone;
  /** Width of the stroke, units. */
  line?: number;
  /** Lengths of strokes and gaps, units. */
  dash?: readonly number[];
}

/** The simplest things that pictures are made of. All lengths in units, from the ground's upper left corner. */
export type Figure = Ink &
  (
    | { is: 'circle'; x: number; y: number; radius: number }
    | { is: 'rectangle'; x: number; y: number; width: number; height: number; round?: number }
    /** x, y, x, y … */
    | { is: 'polygon'; points: readonly number[] }
    | { is: 'line'; points: readonly number[] }
    /** Diagonal strokes over an area. */
    | { is: 'hatch'; x: number; y: number; width: number; height: number }
  );

/** Something on a ground as it is drawn: figures, the first one lowest. */
export interface Mark {
  /** Names it among the marks of one picture. */
  key: string;
  figures: readonly Figure[];
  /** 0–1; 1 when absent. */
  opacity?: number;
}

/** Where everything that moves was at the last tick. */
export interface Places {
  x: number;
  y: number;
  /** Places of the moving pieces of each sort: x, y, x, y … */
  moving: Record<PieceName, Float64Array | undefined>;
}

/** A number between two, as far as a moment is. */
export const between = (from: number | undefined, to: number, share: number): number =>
  from === undefined ? to : from + (to - from) * share;

/** A disc with an edge. */
export const disc = (x: number, y: number, radius: number, fill: Tone, stroke: Tone): Figure => ({
  is: 'circle',
  x,
  y,
  radius,
  fill,
  stroke,
  line: 0.08,
});

/** A dashed circle. */
export const ring = (x: number, y: number, radius: number, stroke: Tone): Figure => ({
  is: 'circle',
  x,
  y,
  radius,
  stroke,
  line: 0.1,
  dash: [0.16, 0.14],
});
