import { useState } from 'react';
import { Link, Navigate, useNavigate } from 'react-router';
import { useCreateProjectMutation, useProjectsQuery } from '../../api/stadionApi.ts';
import type { Problem, ProjectSummary } from '@stadion/core/contract';
import { Button, Mark } from '../../ui/index.ts';

/** All projects, and starting one. @param openTheOnly goes straight into the project when there is just one */
export function ProjectsScreen({ openTheOnly = false }: { openTheOnly?: boolean }) {
  const { data, error, refetch } = useProjectsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [create, { isLoading, error: failure }] = useCreateProjectMutation();
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const only = data?.projects.length === 1 ? data.projects[0] : undefined;
  if (openTheOnly && only) return <Navigate to={`/projects/${only.id}/level`} replace />;
  const start = async (from: 'demo' | 'empty'): Promise<void> => {
    const wanted = name.trim();
    const made = await create(wanted === '' ? { from } : { from, name: wanted });
    if (made.data) void navigate(`/projects/${made.data.id}/level`);
  };
  const problem = (failure ?? error) as Problem | undefined;
  return (
    <div className="h-full overflow-y-auto">
      <header className="flex h-[46px] items-center gap-2 bg-bar px-3.5 text-[15px] font-bold text-bar-ink [font-stretch:112%]">
        <Mark />
        Stadion
      </header>
      <main className="mx-auto max-w-3xl px-6 py-8">
        <h1>Projects</h1>
        <p className="mt-1 mb-4 text-ink-2">
          One project holds one game's levels: their rules, their order, their ramps.
        </p>
        {problem ? (
          <div role="alert" className="mb-4 border-l-[3px] border-loss bg-loss-soft px-3 py-2">
            <b>{problem.title}.</b> {problem.detail}{' '}
            <button type="button" className="link" onClick={() => void refetch()}>
              Try again
            </button>
          </div>
        ) : null}
        <ul className="mb-8 border-t border-line">
          {data?.projects.map((project) => (
            <li key={project.id} className="border-b border-line">
              {project.unreadable === undefined ? (
                <Link
                  to={`/projects/${project.id}/level`}
                  className="flex items-baseline gap-4 bg-sheet px-3 py-2.5 hover:bg-edit-soft"
                >
                  <span className="grow text-[15px] font-semibold">{project.name}</span>
                  <span className="text-ink-2">{project.slots === 1 ? '1 level' : `${project.slots} levels`}</span>
                  <span className="w-36 text-right text-ink-3">
                    {new Date(project.updatedAt).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
                  </span>
                </Link>
              ) : (
                <Unreadable project={project} why={project.unreadable} />
              )}
            </li>
          ))}
          {data?.projects.length === 0 ? <li className="py-3 text-ink-2">None yet: start one below.</li> : null}
        </ul>
        <h2>Start a project</h2>
        <form
          className="mt-2 flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void start('empty');
          }}
        >
          <label className="sr-only" htmlFor="new-name">
            Name of the new project
          </label>
          <input
            id="new-name"
            className="field w-72"
            placeholder="Name"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Button look="main" type="submit" disabled={isLoading}>
            Start empty
          </Button>
          <Button disabled={isLoading} onClick={() => void start('demo')}>
            Start from the demo, Home Before Dusk
          </Button>
        </form>
        <p className="mt-3 text-ink-3">A project file is imported on the Hand-off screen of any project.</p>
      </main>
    </div>
  );
}

/** A project that cannot be opened: why, and its text as it is stored. */
function Unreadable({ project, why }: { project: ProjectSummary; why: string }) {
  return (
    <div className="flex items-baseline gap-4 bg-sheet px-3 py-2.5">
      <span className="text-[15px] font-semibold text-ink-2">{project.name}</span>
      <span className="grow text-loss">Cannot be opened. {why}</span>
      <a className="link" href={`/api/projects/${project.id}/stored.json`} download>
        Download what is stored
      </a>
    </div>
  );
}
