import { isWall, type Grid } from './grid.ts';

/** Stands in a row for a cell from which the target cannot be reached. */
export const UNREACHABLE = 0x7fffffff;

/** Costs of a straight and of a diagonal step: 5 and 7 are within 1 % of 1 and √2, and whole. */
const STRAIGHT = 5;
const DIAGONAL = 7;
/** Extra cost of entering a cell to be avoided: a way round it of eight units is shorter. */
const AVOIDED = 40;
const BUCKETS = DIAGONAL + AVOIDED + 1;

/**
 * Distances over the open cells of one grid, in fifths of a unit. Rows are filled when first asked for and kept: one
 * search costs as much as ten ticks, and everyone who heads for the same cell shares it.
 *
 * Source: R. B. Dial (1969), Algorithm 360, Communications of the ACM 12:632–633 (buckets in place of a heap).
 */
export class DistanceMaps {
  readonly grid: Grid;
  readonly #rows: (Int32Array | undefined)[];

  readonly #avoid: Uint8Array | undefined;

  /** @param avoid 1 for each cell that is entered only where no other way is near */
  constructor(grid: Grid, avoid?: Uint8Array) {
    this.grid = grid;
    this.#avoid = avoid;
    this.#rows = new Array<Int32Array | undefined>(grid.walls.length).fill(undefined);
  }

  /** Distance from every cell to the target cell. Diagonal steps never cut the corner of a wall or of what is avoided. */
  to(target: number): Int32Array {
    return (this.#rows[target] ??= this.#search(target));
  }

  #search(target: number): Int32Array {
    const { grid } = this;
    const avoid = this.#avoid;
    const { width } = grid;
    const distances = new Int32Array(grid.walls.length).fill(UNREACHABLE);
    const buckets: number[][] = Array.from({ length: BUCKETS }, () => []);
    distances[target] = 0;
    (buckets[0] as number[]).push(target);
    let waiting = 1;
    for (let distance = 0; waiting > 0; distance++) {
      const bucket = buckets[distance % BUCKETS] as number[];
      while (bucket.length > 0) {
        const cell = bucket.pop() as number;
        waiting--;
        if (distances[cell] !== distance) continue;
        const column = cell % width;
        const row = (cell - column) / width;
        for (let dy = -1; dy <= 1; dy++) {
          for (let dx = -1; dx <= 1; dx++) {
            if (dx === 0 && dy === 0) continue;
            if (isWall(grid, column + dx, row + dy)) continue;
            const diagonal = dx !== 0 && dy !== 0;
            if (diagonal && (isWall(grid, column + dx, row) || isWall(grid, column, row + dy))) continue;
            if (diagonal && avoid && (avoid[cell + dx] === 1 || avoid[cell + dy * width] === 1)) continue;
            const next = cell + dy * width + dx;
            // Searched from the target: the step leads from `next` into `cell`.
            const entered = avoid && avoid[cell] === 1 ? AVOIDED : 0;
            const longer = distance + (diagonal ? DIAGONAL : STRAIGHT) + entered;
            if (longer >= (distances[next] as number)) continue;
            distances[next] = longer;
            (buckets[longer % BUCKETS] as number[]).push(next);
            waiting++;
          }
        }
      }
    }
    return distances;
  }
}
