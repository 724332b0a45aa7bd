import type { FaultyPlace, ImportedProject, Problem } from '@stadion/core/exchange/contract';
import { useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useImportProjectMutation } from '../api/stadionApi.ts';
import { Button } from '../ui/index.ts';

type Outcome = { file: string; done: ImportedProject } | { file: string; problem: Problem };

/** Reads a project file as a new project, or says where it is broken. */
export function ImportFile() {
  const [send, { isLoading }] = useImportProjectMutation();
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const answer = await send(file);
    setOutcome(
      answer.data ? { file: file.name, done: answer.data } : { file: file.name, problem: answer.error as Problem },
    );
    if (input.current) input.current.value = '';
  };
  return (
    <>
      <div
        className="border border-dashed border-line-strong p-3"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          void take(event.dataTransfer.files[0]);
        }}
      >
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          aria-label="Project file to import"
          tabIndex={-1}
          onChange={(event) => void take(event.target.files?.[0])}
        />
        <Button disabled={isLoading} onClick={() => input.current?.click()}>
          {isLoading ? 'Reading…' : 'Choose a project file…'}
        </Button>
        <span className="ml-2 text-ink-3">or drop it here</span>
      </div>
      {outcome === null ? null : 'done' in outcome ? (
        <p role="status" className="mt-2 border-l-[3px] border-win bg-win-soft px-2.5 py-1.5">
          <b>{outcome.done.name}</b> is imported with {outcome.done.slots} levels.{' '}
          <Link className="link" to={`/projects/${outcome.done.id}/level`}>
            Open it
          </Link>
        </p>
      ) : (
        <div role="alert" className="mt-2 border-l-[3px] border-loss bg-loss-soft px-2.5 py-1.5">
          <b>{outcome.file} was not imported.</b> {outcome.problem.kept}
          <ul className="mt-1">
            {(outcome.problem.places ?? [{ message: outcome.problem.detail }]).map((place, index) => (
              <li key={index}>
                {placeInWords(place)}
                {place.message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

function placeInWords({ line, column, pointer }: FaultyPlace): ReactNode {
  return (
    <>
      {line === undefined ? null : (
        <b>
          Line {line}, column {column}:{' '}
        </b>
      )}
      {pointer === undefined || pointer === '' ? null : <code className="font-mono text-[12px]">{pointer} </code>}
    </>
  );
}
