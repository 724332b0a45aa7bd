import { handOffOf, stringsOf, type FileName } from '@stadion/core/formats';
import { projectOf, type Project, type ProjectDocument } from '@stadion/core/model';
import { checksOf, junitFile } from './checks.ts';
import { jsonText, projectFile } from './project.ts';
import { sheetsMarkdown, sheetsOf, sheetsPage, type KnownRate } from './sheets/index.ts';
import { poFile } from './strings.ts';
import { valuesFile } from './values.ts';

type RateOf = (slotId: string) => KnownRate | undefined;

const MAKE: Readonly<Record<FileName, (project: Project, document: ProjectDocument, rateOf?: RateOf) => string>> = {
  'hand-off.json': (project) => jsonText(handOffOf(project)),
  'project.json': (_project, document) => projectFile(document),
  'values.csv': (project) => valuesFile(project, 'csv'),
  'values.tsv': (project) => valuesFile(project, 'tsv'),
  'strings.json': (project) => jsonText(stringsOf(project)),
  'strings.po': poFile,
  'checks.xml': (project) => junitFile(project, checksOf(project)),
  'sheets.html': (project, _document, rateOf) => sheetsPage(sheetsOf(project, rateOf)),
  'sheets.md': (project, _document, rateOf) => sheetsMarkdown(sheetsOf(project, rateOf)),
};

/** The text of one of the files that a project is handed over in. @param rateOf what is known of the clear rate at a slot, for files that tell it */
export const makeFile = (name: FileName, document: ProjectDocument, rateOf?: RateOf): string =>
  MAKE[name](projectOf(document), document, rateOf);
