export { fieldsOf, type Field } from './fields.ts';
export { FILES, type FileName } from './files.ts';
export { importProject, problemsAfterEdit, type ImportResult, type Problem } from './import.ts';
export { exportProject, SCHEMA_FILE_NAME } from './export.ts';
export { projectJsonSchema, SCHEMAS } from './schema.ts';
export { parameterTable, type ParameterTable } from './table.ts';
export { upgrade, UPGRADES } from './upgrade.ts';
export type { Upgrade } from './upgrades/types.ts';
export { readParameterTable, type CellDifference, type TableReading } from './tableImport.ts';
export {
  HandOff,
  HAND_OFF_FORMAT,
  HAND_OFF_VERSION,
  exportSlot,
  handOffOf,
  type HandedBouts,
  type HandedFighter,
  roundsHandedOver,
  playerTexts,
  Strings,
  stringsOf,
  type HandedCondition,
  type HandedEffect,
  type HandedRule,
  type HandedSlot,
  type Memory,
  type PlayerText,
} from './handOff/index.ts';
export { LOOKS_LIKE_A_FORMULA } from './looksLikeAFormula.ts';
