import { fieldsOf, SCHEMAS } from '@stadion/core/exchange/formats';
import { useMemo, useState } from 'react';

/** Meanings of the fields of a file, by its schema. @param schema its name */
export function FieldList({ schema }: { schema: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="link mb-2 self-start" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Hide the fields' : 'What each field means'}
        <span className="sr-only"> in {schema}</span>
      </button>
      {open ? <Fields schema={schema} /> : null}
    </>
  );
}

function Fields({ schema }: { schema: string }) {
  const fields = useMemo(() => fieldsOf(SCHEMAS[schema]?.() ?? {}), [schema]);
  return (
    <div
      tabIndex={0}
      aria-label={`Fields of ${schema}`}
      className="mb-2 h-56 overflow-auto border border-line bg-sheet"
    >
      <table className="w-full table-fixed text-left text-[12px]">
        <tbody>
          {fields.map(({ path, type, about, optional }) => (
            <tr key={path} className="border-b border-line align-top">
              <th className="w-[42%] px-2 py-1 font-mono font-normal break-words">{path}</th>
              <td className="w-[26%] px-2 py-1 break-words text-ink-2">
                {type}
                {optional ? ', may be absent' : ''}
              </td>
              <td className="px-2 py-1">{about}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
