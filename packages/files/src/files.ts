import { handOffOf, stringsOf, type FileName } from '@stadion/core/exchange/formats';
import { projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { checksOf, junitFile } from './checks.ts';
import { jsonText, projectFile } from './project.ts';
import { sheetsMarkdown, sheetsOf, sheetsPage, type Rates } from './sheets/index.ts';
import { poFile } from './strings.ts';
import { valuesFile } from './values.ts';

const MAKE: Readonly<Record<FileName, (project: Project, document: ProjectDocument, rates?: Rates) => string>> = {
  'hand-off.json': (project) => jsonText(handOffOf(project)),
  'project.json': (_project, document) => projectFile(document),
  'values.csv': (project) => valuesFile(project, 'csv'),
  'values.tsv': (project) => valuesFile(project, 'tsv'),
  'strings.json': (project) => jsonText(stringsOf(project)),
  'strings.po': poFile,
  'checks.xml': (project) => junitFile(project, checksOf(project)),
  'sheets.html': (project, _document, rates) => sheetsPage(sheetsOf(project, rates)),
  'sheets.md': (project, _document, rates) => sheetsMarkdown(sheetsOf(project, rates)),
};

/** The text of one of the files that a project is handed over in. @param rates for files that tell clear rates */
export const makeFile = (name: FileName, document: ProjectDocument, rates?: Rates): string =>
  MAKE[name](projectOf(document), document, rates);
