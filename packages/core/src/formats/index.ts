export { importProject, problemsAfterEdit, type ImportResult, type Problem } from './import.ts';
export { exportProject, SCHEMA_FILE_NAME } from './export.ts';
export { projectJsonSchema } from './schema.ts';
export { parameterTable, type ParameterTable } from './table.ts';
export { upgrade, UPGRADES } from './upgrade.ts';
export type { Upgrade } from './upgrades/types.ts';
export { readParameterTable, type CellDifference, type TableReading } from './tableImport.ts';
