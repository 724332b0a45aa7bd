/** Cells of one unit; a cell's index is row × width + column. Outside the grid everything is wall. */
export interface Grid {
  width: number;
  height: number;
  /** 1 for wall. */
  walls: Uint8Array;
}

/** The same cells with more walls. @param cells indices of the cells that become wall */
export function withWalls(grid: Grid, cells: Iterable<number>): Grid {
  const walls = new Uint8Array(grid.walls);
  for (const cell of cells) walls[cell] = 1;
  return { width: grid.width, height: grid.height, walls };
}

/** Indices of the cells that an area from its upper left corner touches. Units. */
export function cellsIn(grid: Grid, area: { x: number; y: number; width: number; height: number }): number[] {
  const cells: number[] = [];
  const right = Math.min(grid.width, Math.ceil(area.x + area.width));
  const bottom = Math.min(grid.height, Math.ceil(area.y + area.height));
  for (let row = Math.max(0, Math.floor(area.y)); row < bottom; row++) {
    for (let column = Math.max(0, Math.floor(area.x)); column < right; column++) cells.push(row * grid.width + column);
  }
  return cells;
}

/** Indices of the cells without ground under them. @param rows ~ for no ground */
export const holesIn = (rows: readonly string[]): number[] =>
  rows.flatMap((row, y) => [...row].flatMap((character, x) => (character === '~' ? [y * row.length + x] : [])));

/** @param rows equally long, # for wall */
export function makeGrid(rows: readonly string[]): Grid {
  const height = rows.length;
  const width = rows[0]?.length ?? 0;
  const walls = new Uint8Array(width * height);
  rows.forEach((row, y) => {
    for (let x = 0; x < width; x++) walls[y * width + x] = row[x] === '#' ? 1 : 0;
  });
  return { width, height, walls };
}

/** Is the cell at this column and row a wall? */
export function isWall(grid: Grid, column: number, row: number): boolean {
  if (column < 0 || row < 0 || column >= grid.width || row >= grid.height) return true;
  return grid.walls[row * grid.width + column] === 1;
}

/** Is any cell of this column a wall, from one row to another, both included? */
export function isWallInColumn({ walls, width, height }: Grid, column: number, top: number, bottom: number): boolean {
  if (column < 0 || column >= width || top < 0 || bottom >= height) return true;
  for (let row = top; row <= bottom; row++) if (walls[row * width + column] === 1) return true;
  return false;
}

/** Is any cell of this row a wall, from one column to another, both included? */
export function isWallInRow({ walls, width, height }: Grid, row: number, left: number, right: number): boolean {
  if (row < 0 || row >= height || left < 0 || right >= width) return true;
  for (let column = left; column <= right; column++) if (walls[row * width + column] === 1) return true;
  return false;
}

/** The index of the cell that holds a place; places outside count to the nearest edge. @param x @param y units */
export function cellAt(grid: Grid, x: number, y: number): number {
  const column = Math.min(grid.width - 1, Math.max(0, Math.floor(x)));
  const row = Math.min(grid.height - 1, Math.max(0, Math.floor(y)));
  return row * grid.width + column;
}
