import { LOOKS_LIKE_A_FORMULA, parameterTable } from '@stadion/core/exchange/formats';
import type { Project } from '@stadion/core/document/model';
import papaparse from 'papaparse';

const SEPARATORS = { csv: ',', tsv: '\t' } as const;
export type Separated = keyof typeof SEPARATORS;

/** The text of a table (RFC 4180). Text that a spreadsheet would run as a formula is kept as text. */
export function tableText(fields: readonly string[], data: readonly unknown[][], as: Separated = 'csv'): string {
  const options = { newline: '\r\n', escapeFormulae: LOOKS_LIKE_A_FORMULA, delimiter: SEPARATORS[as] };
  return `${papaparse.unparse({ fields: [...fields], data: [...data] }, options)}\r\n`;
}

/** Every parameter's value at every slot. */
export function valuesFile(project: Project, as: Separated = 'csv'): string {
  const { header, rows } = parameterTable(project);
  return tableText(header, rows, as);
}

/** The rows of a table of values, cells as text; commas, semicolons or tabs between them. */
export const rowsOf = (text: string): string[][] =>
  papaparse.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data;
