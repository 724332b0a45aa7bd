import type { NamedSentence, Removal } from '@stadion/core/authoring/edits';
import type { ReactNode } from 'react';
import { useEdit } from '../store/hooks.ts';
import { Confirm } from '../ui/index.ts';

interface Props {
  /** The name of the removed thing; undefined while nothing is asked. */
  what: string | undefined;
  removal: Removal | undefined;
  /** Other things that are removed with it. */
  children?: ReactNode;
  onClose: () => void;
  /** Makes the edit; by default the removal as it is. */
  onRemove?: (removal: Removal) => void;
}

const MOST_SHOWN = 8;

const inWords = ({ words, level }: NamedSentence): string => (level ? `${words} (${level.name})` : words);

/** Asks before something is removed together with all that names it, and lists that. */
export function RemovalConfirm({ what, removal, children, onClose, onRemove }: Props) {
  const edit = useEdit();
  const sentences = removal?.sentences ?? [];
  const count = sentences.length;
  return (
    <Confirm
      open={what !== undefined && removal !== undefined}
      title={`Remove ${what ?? ''}?`}
      does={
        count === 0 ? 'Remove it' : count === 1 ? 'Remove it and this one, too' : `Remove it and these ${count}, too`
      }
      onClose={onClose}
      onConfirm={() => {
        if (removal) (onRemove ?? edit)(removal);
      }}
    >
      {children}
      {count === 0 ? null : (
        <>
          <p>{count === 1 ? 'This names it and is removed with it:' : 'These name it and are removed with it:'}</p>
          <ul className="my-1 list-disc pl-5">
            {sentences.slice(0, MOST_SHOWN).map((sentence) => (
              <li key={inWords(sentence)}>{inWords(sentence)}</li>
            ))}
            {count > MOST_SHOWN ? <li>and {count - MOST_SHOWN} more</li> : null}
          </ul>
        </>
      )}
      <p>Undo brings everything back.</p>
    </Confirm>
  );
}
