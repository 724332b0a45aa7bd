import { readParameterTable, type TableReading } from '@stadion/core/exchange/formats';
import papaparse from 'papaparse';
import { useRef, useState } from 'react';
import { setCells } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';
import { sayValue } from './words.ts';

const MOST_SHOWN = 200;

/** Reads a CSV of values: first what each cell would change, then, if wanted, the change. */
export function TableImport() {
  const project = useProject();
  const edit = useEdit();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<{ name: string; rows: string[][] } | null>(null);
  const choose = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    const { data } = papaparse.parse<string[]>((await chosen.text()).replace(/^\uFEFF/, ''), { skipEmptyLines: true });
    setFile({ name: chosen.name, rows: data });
    if (input.current) input.current.value = '';
  };
  const reading = file && readParameterTable(project, file.rows);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/tab-separated-values"
        className="sr-only"
        aria-label="CSV file of values"
        tabIndex={-1}
        onChange={(event) => void choose(event.target.files?.[0])}
      />
      <Button onClick={() => input.current?.click()}>CSV in</Button>
      {file && reading ? (
        <aside
          aria-label="What the file changes"
          className="absolute inset-y-0 right-0 z-30 flex w-[420px] flex-col border-l border-line-strong bg-sheet p-4"
        >
          <h2>{file.name}</h2>
          <Preview reading={reading} />
          <div className="mt-3 flex gap-2">
            {reading.ok && reading.changes.length > 0 ? (
              <Button
                look="main"
                onClick={() => {
                  const cells = reading.changes.map(({ key, slotId, after }) => ({ key, slotId, value: after }));
                  edit(setCells(project, cells, `${cells.length} values from ${file.name}`));
                  setFile(null);
                }}
              >
                Change {reading.changes.length} value{reading.changes.length === 1 ? '' : 's'}
              </Button>
            ) : null}
            <Button onClick={() => setFile(null)}>
              {reading.ok && reading.changes.length > 0 ? 'Leave all as it is' : 'Close'}
            </Button>
          </div>
        </aside>
      ) : null}
    </>
  );
}

function Preview({ reading }: { reading: TableReading }) {
  const project = useProject();
  if (!reading.ok) {
    return (
      <>
        <p className="mt-1 text-loss">It cannot be read. Nothing was changed.</p>
        <ul className="mt-2 min-h-0 overflow-y-auto">
          {reading.problems.map(({ line, message }) => (
            <li key={`${line} ${message}`} className="border-t border-line py-1">
              <b>Line {line}:</b> {message}
            </li>
          ))}
        </ul>
      </>
    );
  }
  const { changes, notes } = reading;
  return (
    <>
      <p className="mt-1 text-ink-2">
        {changes.length === 0 ? 'It says what the project says: nothing would change.' : null} {notes.join(' ')}
      </p>
      {changes.length === 0 ? null : (
        <table className="mt-2 block min-h-0 overflow-y-auto text-[12.5px]" aria-label="Changes">
          <thead className="text-left text-ink-3">
            <tr>
              {['level', 'parameter', 'now', '', 'then'].map((word) => (
                <th key={word} scope="col" className="pr-4 font-normal">
                  {word}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {changes.slice(0, MOST_SHOWN).map(({ key, position, before, after }) => {
              const parameter = project.parameters.find((entry) => entry.key === key);
              if (!parameter) return null;
              return (
                <tr key={`${key} ${position}`} className="border-t border-line">
                  <td className="pr-4 font-semibold">{position}</td>
                  <td className="pr-4">{parameter.label}</td>
                  <td className="pr-4 text-right">{sayValue(parameter, before, 4)}</td>
                  <td className="pr-4 text-ink-3">→</td>
                  <td className="pr-4 text-right font-semibold">{sayValue(parameter, after, 4)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {changes.length > MOST_SHOWN ? <p className="text-ink-3">… and {changes.length - MOST_SHOWN} more</p> : null}
    </>
  );
}
