import { exportProject, parameterTable } from '@stadion/core/formats';
import { useMemo, type ReactNode } from 'react';
import { useAppSelector, useProject, useProjectDocument, useSelection } from '../../project/hooks.ts';
import { ImportFile } from '../../project/ImportFile.tsx';
import { useFindings } from '../../project/useFindings.ts';

const PREVIEW_LINES = 40;

/** The files the game reads, and reading a project file back. */
export function HandoffScreen() {
  const project = useProject();
  const document = useProjectDocument();
  const { projectId } = useSelection();
  const unsent = useAppSelector((state) => state.document.open?.pending.length ?? 0);
  const findings = useFindings();
  const stopping = findings.filter((finding) => finding.severity === 'stops play').length;
  const json = useMemo(
    () => JSON.stringify(exportProject(document), null, 2).split('\n').slice(0, PREVIEW_LINES).join('\n'),
    [document],
  );
  const csv = useMemo(() => {
    const { header, rows } = parameterTable(project);
    return [header, ...rows.slice(0, PREVIEW_LINES)].map((row) => row.join(',')).join('\n');
  }, [project]);
  const base = `/api/projects/${projectId}`;
  return (
    <main className="min-h-0 grow overflow-y-auto px-[22px] py-3.5">
      <h1>Hand-off</h1>
      <p className="mt-0.5 mb-3 text-ink-2">
        Open files that the game reads.{' '}
        {unsent > 0 ? <b>{unsent} edits are not on the server yet and would be missing from the files.</b> : null}{' '}
        {stopping > 0 ? (
          <b className="text-mark-ink">
            {stopping} finding{stopping === 1 ? '' : 's'} would stop play.
          </b>
        ) : (
          'No finding would stop play.'
        )}
      </p>
      <div className="grid grid-cols-2 gap-x-6 gap-y-5 min-[1700px]:grid-cols-3">
        <File
          title="Project"
          about="Everything in one JSON file: rules, levels, order, ramps. Reads back as it is."
          preview={json}
          links={[
            { href: `${base}/export.json`, label: 'Download JSON', main: true },
            { href: '/api/schema/project.json', label: 'Its JSON Schema' },
          ]}
        />
        <File
          title="Parameters"
          about="Every parameter's value at every slot, one row per slot."
          preview={csv}
          links={[{ href: `${base}/parameters.csv`, label: 'Download CSV', main: true }]}
        />
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
  preview: string;
  links: readonly { href: string; label: string; main?: boolean }[];
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

function File({ title, about, preview, links }: FileProps) {
  return (
    <Sheet title={title} about={about}>
      <div className="mb-2 flex gap-2">
        {links.map((link) => (
          <a key={link.href} href={link.href} download className={`btn ${link.main ? 'btn-main' : ''}`}>
            {link.label}
          </a>
        ))}
      </div>
      <pre
        tabIndex={0}
        aria-label={`Preview of ${title}`}
        className="h-56 overflow-auto border border-line bg-sheet p-2.5 font-mono text-[12px] leading-[1.4]"
      >
        {preview}
      </pre>
    </Sheet>
  );
}
