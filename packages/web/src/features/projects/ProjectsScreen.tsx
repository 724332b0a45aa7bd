import type { CreateProject, Problem, ProjectSummary } from '@stadion/core/exchange/contract';
import { MoreHorizontal } from 'lucide-react';
import { useState } from 'react';
import { Link, Navigate, useNavigate } from 'react-router';
import {
  useBinProjectMutation,
  useCreateProjectMutation,
  useProjectsQuery,
  useRenameProjectMutation,
} from '../../api/stadionApi.ts';
import { ImportFile } from '../../parts/ImportFile.tsx';
import { formatMoment, nameRefused, Mark, Menu, TextInPlace } from '../../ui/index.ts';
import { RateStrip } from './RateStrip.tsx';
import { StartSheet } from './StartSheet.tsx';

/** Number of projects from which on they can be searched. */
const SEARCHED_FROM = 10;

/** All projects, and starting one. @param openTheOnly goes straight into the project when there is just one */
export function ProjectsScreen({ openTheOnly = false }: { openTheOnly?: boolean }) {
  const { data, error, refetch } = useProjectsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [create, { isLoading, error: failure }] = useCreateProjectMutation();
  const [bin, { error: binFailure }] = useBinProjectMutation();
  const [rename, { error: renameFailure }] = useRenameProjectMutation();
  const [typed, setTyped] = useState('');
  const [renaming, setRenaming] = useState<string | null>(null);
  const [binned, setBinned] = useState<ProjectSummary | null>(null);
  const navigate = useNavigate();
  const all = data?.projects ?? [];
  const kept = all.filter(({ binnedAt }) => binnedAt === undefined);
  const inBin = all.filter(({ binnedAt }) => binnedAt !== undefined);
  const shown = kept.filter(({ name }) => name.toLowerCase().includes(typed.trim().toLowerCase()));
  const only = kept.length === 1 ? kept[0] : undefined;
  if (openTheOnly && only && only.unreadable === undefined)
    return <Navigate to={`/projects/${only.id}/level`} replace />;
  const start = async (wanted: CreateProject): Promise<void> => {
    const made = await create(wanted);
    if (made.data && wanted.from !== 'copy') void navigate(`/projects/${made.data.id}/level`);
  };
  const problem = (failure ?? binFailure ?? renameFailure ?? error) as Problem | undefined;
  return (
    <div className="h-full overflow-y-auto">
      <header className="flex h-[46px] items-center gap-2 bg-bar px-3.5 text-[15px] font-bold text-bar-ink [font-stretch:112%]">
        <Mark />
        Stadion
      </header>
      <main className="mx-auto max-w-5xl px-6 py-8">
        <div className="flex items-end gap-3">
          <div className="grow">
            <h1>Projects</h1>
            <p className="mt-1 text-ink-2">
              One project holds one game's levels: their rules, their order, their ramps.
            </p>
          </div>
          {kept.length >= SEARCHED_FROM ? (
            <input
              className="field w-48"
              aria-label="Search the projects"
              placeholder="Search"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          ) : null}
        </div>
        {problem ? (
          <div role="alert" className="mt-3 border-l-[3px] border-loss bg-loss-soft px-3 py-2">
            <b>{problem.title}.</b> {problem.detail} {problem.kept}{' '}
            <button type="button" className="link" onClick={() => void refetch()}>
              Try again
            </button>
          </div>
        ) : null}
        {binned ? (
          <p role="status" className="mt-3 border-l-[3px] border-mark bg-mark-soft px-3 py-1.5">
            <b>{binned.name}</b> is in the bin for 30 days.{' '}
            <button
              type="button"
              className="link"
              onClick={() => {
                void bin({ projectId: binned.id, binned: false });
                setBinned(null);
              }}
            >
              Bring it back
            </button>
          </p>
        ) : null}
        <ul aria-label="Projects" className="mt-4 mb-8 border-t border-line">
          {shown.map((project) => (
            <li key={project.id} className="flex items-center border-b border-line bg-sheet hover:bg-edit-soft">
              {project.unreadable !== undefined ? (
                <Unreadable project={project} why={project.unreadable} />
              ) : renaming === project.id ? (
                <span className="flex grow px-3 py-2">
                  <TextInPlace
                    label="Name of the project"
                    value={project.name}
                    editing
                    onEditingChange={(editing) => !editing && setRenaming(null)}
                    refuse={(text) => nameRefused(text, 'A project')}
                    onCommit={(name) => void rename({ projectId: project.id, name })}
                  />
                </span>
              ) : (
                <Link to={`/projects/${project.id}/level`} className="flex min-w-0 grow items-center gap-4 px-3 py-2.5">
                  <span className="min-w-0 grow truncate text-[15px] font-semibold" title={project.name}>
                    {project.name}
                  </span>
                  <RateStrip rates={project.rates} />
                  <span className="w-16 shrink-0 text-right text-ink-2">
                    {project.slots === 1 ? '1 level' : `${project.slots} levels`}
                  </span>
                  <span className="w-40 shrink-0 text-right text-ink-3">{formatMoment(project.updatedAt)}</span>
                </Link>
              )}
              <Menu
                trigger={
                  <button
                    type="button"
                    className="mr-2 rounded-r p-1.5 text-ink-3 hover:bg-sheet"
                    aria-label={`What to do with ${project.name}`}
                  >
                    <MoreHorizontal size={16} />
                  </button>
                }
                entries={[
                  ...(project.unreadable === undefined
                    ? [
                        { label: 'Rename', onSelect: () => setTimeout(() => setRenaming(project.id)) },
                        { label: 'Duplicate', onSelect: () => void start({ from: 'copy', of: project.id }) },
                        {
                          label: 'Download',
                          onSelect: () => window.location.assign(`/api/projects/${project.id}/files/project.json`),
                        },
                        'line' as const,
                      ]
                    : []),
                  {
                    label: 'Remove to the bin',
                    onSelect: () => {
                      void bin({ projectId: project.id, binned: true });
                      setBinned(project);
                    },
                  },
                ]}
              />
            </li>
          ))}
          {data && kept.length === 0 ? <li className="py-3 text-ink-2">None yet: start one below.</li> : null}
          {kept.length > 0 && shown.length === 0 ? <li className="py-3 text-ink-2">None is called so.</li> : null}
        </ul>
        <h2>Start a project</h2>
        <StartSheet busy={isLoading} onStart={(wanted) => void start(wanted)} />
        <section aria-label="Import" className="mt-6">
          <h2>Import a project file</h2>
          <p className="mb-2 text-ink-2">It becomes a project of its own; nothing here is overwritten.</p>
          <ImportFile />
        </section>
        {inBin.length > 0 ? (
          <section aria-label="Bin" className="mt-6">
            <h2>Bin</h2>
            <p className="mb-1 text-ink-2">What is here is kept for 30 days.</p>
            <ul className="border-t border-line">
              {inBin.map((project) => (
                <li key={project.id} className="flex items-center gap-4 border-b border-line px-3 py-2">
                  <span className="grow truncate text-ink-2">{project.name}</span>
                  <span className="text-ink-3">removed {formatMoment(project.binnedAt ?? project.updatedAt)}</span>
                  <button
                    type="button"
                    className="link"
                    onClick={() => void bin({ projectId: project.id, binned: false })}
                  >
                    Bring {project.name} back
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ) : null}
      </main>
    </div>
  );
}

/** A project that cannot be opened: why, and its text as it is stored. */
function Unreadable({ project, why }: { project: ProjectSummary; why: string }) {
  return (
    <div className="flex grow items-baseline gap-4 px-3 py-2.5">
      <span className="text-[15px] font-semibold text-ink-2">{project.name}</span>
      <span className="grow text-loss">Cannot be opened. {why}</span>
      <a className="link" href={`/api/projects/${project.id}/stored.json`} download>
        Download what is stored
      </a>
    </div>
  );
}
