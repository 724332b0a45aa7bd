import { setOptional } from '@stadion/core/authoring/edits';
import { StickyNote } from 'lucide-react';
import { useState } from 'react';
import { useEdit } from '../store/hooks.ts';
import { TextInPlace } from '../ui/index.ts';

interface Props {
  /** The subject of the note, in words. */
  what: string;
  /** JSON pointer to the note. */
  path: string;
  note: string | undefined;
  /** Without words it stays, as an empty text. */
  stays?: boolean;
}

/** Why something is as it is, in the designer's words: shown on demand, written where it stands. */
export function NoteOf({ what, path, note, stays = false }: Props) {
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const has = note !== undefined && note !== '';
  return (
    <span className="inline-flex min-w-0 items-start gap-1">
      <button
        type="button"
        className={`inline-flex items-center gap-1 rounded-r px-1 text-[12px] leading-6 whitespace-nowrap ${has ? 'text-mark-ink' : 'rest text-edit-ink'}`}
        aria-expanded={open}
        aria-label={has ? `Note on ${what}` : `Add a note on ${what}`}
        title={has ? note : 'Add a note'}
        onClick={() => setOpen(!open)}
      >
        <StickyNote size={13} />
        {has ? 'note' : null}
      </button>
      {open ? (
        <span className="min-w-40 border-l-[3px] border-mark pl-1.5 text-ink-2">
          <TextInPlace
            label={`Note on ${what}`}
            value={note ?? ''}
            placeholder="Why is it so?"
            editing={!has}
            onEditingChange={(editing) => !editing && !has && setOpen(false)}
            refuse={(text) => (text.length > 400 ? 'A note has at most 400 characters.' : undefined)}
            onCommit={(text) =>
              edit({
                label: `Note on ${what}`.slice(0, 200),
                patch: setOptional(path, note, text === '' && !stays ? undefined : text),
              })
            }
          />
        </span>
      ) : null}
    </span>
  );
}
