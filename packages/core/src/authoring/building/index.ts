export {
  drawnSection,
  endsThatDoNotJoin,
  flatSection,
  grownRun,
  sectionAlone,
  withGroundAsSection,
  withSectionAsGround,
  type SectionLegend,
} from './sections.ts';
export { asKind } from './kind.ts';
export { cellsOn, keyOf, puttables, puttablesOn, type Puttable } from './puttable.ts';
export { boxOf, boxOn, cellOf, coversCell, heightOf, isArea, isLine, moved, widthOf, type Box } from './shape.ts';
export { newPiece, withPiece } from './put.ts';
export {
  CELLS,
  cellsAlong,
  cleared,
  growthRefused,
  grown,
  painted,
  type Cell,
  type CellName,
  type Growth,
} from './cells.ts';
export { mirrored, turned, turnRefused, type Mirror } from './mirror.ts';
export { scattered, varied, type Scatter } from './scatter.ts';
export { groundOfText, legendOf, textOfGround, type LegendEntry, type TextFault } from './text.ts';
export { copiedText, pasted, type Pasted } from './clipboard.ts';
export {
  goalRefused,
  START_KITS,
  StartAnswers,
  StartChoices,
  startGoals,
  startProject,
  type StartMoves,
} from './start/start.ts';
