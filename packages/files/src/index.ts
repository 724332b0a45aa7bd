export { fileName, jsonText, projectFile } from './project.ts';
export { rowsOf, tableText, valuesFile, type Separated } from './values.ts';
export type { Rates } from './sheets/index.ts';
export { makeFile } from './files.ts';
export { checksOf, failuresOf, junitFile, type Check, type KnownForecasts } from './checks.ts';
export { projectFolder, readFolder, type FolderReading } from './folder.ts';
export { readFile, type FileReading } from './readFile.ts';
export { lineAndColumn } from './locate.ts';
export { DEEPEST, MOST_ENTRIES, oversizeIn, type Oversize } from './jsonSize.ts';
