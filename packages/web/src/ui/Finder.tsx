import { Popover } from 'radix-ui';
import { useId, useState, type ReactNode } from 'react';

export interface FinderEntry {
  id: string;
  /** What is said; searched. */
  label: string;
  /** Searched besides. */
  also?: string;
  onChoose: () => void;
}

interface Props {
  trigger: ReactNode;
  /** What is looked for. */
  label: string;
  placeholder: string;
  entries: readonly FinderEntry[];
}

const MOST_SHOWN = 60;

/** Entries in which every word typed begins a word or stands inside one; those that begin with it come first. */
export function found(entries: readonly FinderEntry[], text: string): FinderEntry[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter(({ label, also = '' }) => {
    const searched = `${label} ${also}`.toLowerCase();
    return words.every((word) => searched.includes(word));
  });
}

/** A list to search in and choose from, behind a button. */
export function Finder({ trigger, label, placeholder, entries }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="pop w-[440px] p-2"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          aria-label={label}
        >
          <List label={label} placeholder={placeholder} entries={entries} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function List({ label, placeholder, entries, onDone }: Omit<Props, 'trigger'> & { onDone: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const id = useId();
  const shown = found(entries, text).slice(0, MOST_SHOWN);
  const current = Math.min(at, shown.length - 1);
  const choose = (entry: FinderEntry | undefined): void => {
    if (!entry) return;
    onDone();
    entry.onChoose();
  };
  return (
    <>
      <input
        autoFocus
        role="combobox"
        aria-label={label}
        aria-expanded
        aria-controls={id}
        aria-activedescendant={shown[current] ? `${id}-${current}` : undefined}
        className="field w-full"
        placeholder={placeholder}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
          if (by !== 0) {
            event.preventDefault();
            const next = (current + by + shown.length) % Math.max(1, shown.length);
            setAt(next);
            document.getElementById(`${id}-${next}`)?.scrollIntoView({ block: 'nearest' });
          }
          if (event.key === 'Enter') choose(shown[current]);
          if (event.key !== 'Escape') event.stopPropagation();
        }}
      />
      <ul id={id} role="listbox" aria-label={label} className="mt-1.5 max-h-72 overflow-x-hidden overflow-y-auto">
        {shown.map((entry, index) => (
          <li
            key={entry.id}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === current}
            className={`menu-item cursor-pointer whitespace-normal ${index === current ? 'bg-edit-soft' : ''}`}
            onPointerMove={() => setAt(index)}
            onClick={() => choose(entry)}
          >
            {entry.label}
          </li>
        ))}
        {shown.length === 0 ? <li className="px-2 py-1 text-ink-3">Nothing says that. Other words?</li> : null}
      </ul>
    </>
  );
}
