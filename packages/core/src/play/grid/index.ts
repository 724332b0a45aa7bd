export {
  cellAt,
  cellsIn,
  holesIn,
  isWall,
  isWallInColumn,
  isWallInRow,
  makeGrid,
  withWalls,
  type Grid,
} from './grid.ts';
export { DistanceMaps, UNREACHABLE } from './distances.ts';
export { fits, isInSight, wayIsClear } from './sight.ts';
export { HEADINGS, HEADING_VECTORS, nearestHeading, nearestHeadingOf } from './headings.ts';
export { BELOW_TOUCH, limitedStep, moveBody, WALL_GAP, type Body } from './body.ts';
export { nextCellTowards, type Spot } from './path.ts';
export { allPiecesOf, sectionsOf } from './sections.ts';
