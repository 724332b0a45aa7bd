import {
  exportProject,
  FILES,
  exportSlot,
  handOffOf,
  parameterTable,
  roundsHandedOver,
  stringsOf,
  type FileName,
} from '@stadion/core/exchange/formats';
import type { Project, ProjectDocument } from '@stadion/core/document/model';
import { useMemo, type ReactNode } from 'react';
import { useSelection } from '../../address/address.ts';
import { useAppSelector, useProject, useProjectDocument } from '../../store/hooks.ts';
import { ImportFile } from '../../parts/ImportFile.tsx';
import { FieldList } from './FieldList.tsx';
import { Games } from './Games.tsx';
import { HandOver } from './HandOver.tsx';

const PREVIEW_LINES = 40;

const json = (value: unknown): string => JSON.stringify(value, null, 2);

/** The beginning of a file; none where only the server writes it. */
const PREVIEWS: Readonly<
  Partial<Record<FileName, (project: Project, document: ProjectDocument, position: number) => string>>
> = {
  'hand-off.json': (project, _document, position) => json(exportSlot(project, position) ?? handOffOf(project)),
  'project.json': (_project, document) => json(exportProject(document)),
  'values.csv': (project) => table(project, ','),
  'values.tsv': (project) => table(project, '\t'),
  'strings.json': (project) => json(stringsOf(project)),
};

function table(project: Project, separator: string): string {
  const { header, rows } = parameterTable(project);
  return [header, ...rows.slice(0, PREVIEW_LINES)].map((row) => row.join(separator)).join('\n');
}

function aboutHandOff(about: string, project: Project, position: number): string {
  const last = roundsHandedOver(project) + 1;
  const rounds =
    last === 1 ? '' : last === 2 ? ' Also round 2 past the last slot' : ` Also rounds 2 to ${last} past the last slot`;
  return `${about}${rounds && `${rounds}; later ones keep its last numbers.`}${position > 0 ? ` Below: level ${position}.` : ''}`;
}

/** The files the game reads, and reading a project file back. */
export function HandoffScreen() {
  const project = useProject();
  const document = useProjectDocument();
  const { projectId, position } = useSelection();
  const unsent = useAppSelector((state) => state.document.open?.pending.length ?? 0);
  const previews = useMemo(
    () =>
      new Map(
        FILES.map(({ name }) => {
          const text = PREVIEWS[name]?.(project, document, position);
          return [name, text?.split('\n').slice(0, PREVIEW_LINES).join('\n')];
        }),
      ),
    [project, document, position],
  );
  return (
    <main className="min-h-0 grow overflow-y-auto px-[22px] py-3.5">
      <h1>Hand-off</h1>
      <p className="mt-0.5 mb-3 text-ink-2">
        Open files that the game reads.{' '}
        {unsent > 0 ? <b>{unsent} edits are not on the server yet and would be missing from the files.</b> : null}{' '}
      </p>
      <HandOver />
      <Games />
      <div className="grid grid-cols-2 gap-x-6 gap-y-5 min-[1700px]:grid-cols-3">
        {FILES.map((file) => (
          <File
            key={file.name}
            title={file.title}
            about={file.name === 'hand-off.json' ? aboutHandOff(file.about, project, position) : file.about}
            preview={previews.get(file.name)}
            href={`/api/projects/${projectId}/files/${file.name}`}
            file={file.name}
            schema={'schema' in file ? file.schema : undefined}
          />
        ))}
        <Sheet
          title="Import"
          about="A project file becomes a new project beside this one; nothing here is overwritten."
        >
          <ImportFile />
        </Sheet>
      </div>
    </main>
  );
}

interface FileProps {
  title: string;
  about: string;
  preview: string | undefined;
  href: string;
  file: FileName;
  schema: string | undefined;
}

function Sheet({ title, about, children }: { title: string; about: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex min-w-0 flex-col border-t border-line pt-2.5">
      <h2>{title}</h2>
      <p className="mb-2 text-ink-2">{about}</p>
      {children}
    </section>
  );
}

function File({ title, about, preview, href, file, schema }: FileProps) {
  return (
    <Sheet title={title} about={about}>
      <div className="mb-2 flex gap-2">
        {file.endsWith('.html') ? (
          <a href={href} target="_blank" rel="noreferrer" className="btn">
            Open {file} to print
          </a>
        ) : (
          <a href={href} download className="btn">
            Download {file}
          </a>
        )}
        {schema === undefined ? null : (
          <a href={`/api/schema/${schema}`} download className="btn">
            Its JSON Schema
          </a>
        )}
      </div>
      {schema === undefined ? null : <FieldList schema={schema} />}
      {preview === undefined ? null : (
        <pre
          tabIndex={0}
          aria-label={`Preview of ${title}`}
          className="h-56 overflow-auto border border-line bg-sheet p-2.5 font-mono text-[12px] leading-[1.4]"
        >
          {preview}
        </pre>
      )}
    </Sheet>
  );
}
