import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';

export interface FinderEntry {
  id: string;
  /** Shown words, which are searched. */
  label: string;
  /** Searched besides. */
  also?: string;
  onChoose: () => void;
}

interface Props {
  trigger: ReactNode;
  /** Subject of the search. */
  label: string;
  placeholder: string;
  entries: readonly FinderEntry[];
  /** Shown above the list, to be chosen before an entry. */
  children?: ReactNode;
}

/** Does every word typed stand somewhere in what is searched? */
export function isFound(searched: string, typed: string): boolean {
  const text = searched.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** A list to search in and choose from, behind a button. */
export function Finder({ trigger, label, placeholder, entries, children }: Props) {
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
          {children}
          <List label={label} placeholder={placeholder} entries={entries} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function List({ label, placeholder, entries, onDone }: Omit<Props, 'trigger' | 'children'> & { onDone: () => void }) {
  return (
    // The keys of the screen stay quiet while somebody types here.
    <div onKeyDown={(event) => event.key !== 'Escape' && event.stopPropagation()}>
      <Command label={label} loop filter={(_id, typed, searched = []) => (isFound(searched.join(' '), typed) ? 1 : 0)}>
        <Command.Input autoFocus className="field w-full" placeholder={placeholder} />
        <Command.List label={label} className="mt-1.5 max-h-72 overflow-x-hidden overflow-y-auto">
          <Command.Empty className="px-2 py-1 text-ink-3">Nothing says that. Other words?</Command.Empty>
          {entries.map((entry) => (
            <Command.Item
              key={entry.id}
              value={entry.id}
              keywords={[entry.label, entry.also ?? '']}
              className="menu-item cursor-pointer whitespace-normal data-[selected=true]:bg-edit-soft"
              onSelect={() => {
                onDone();
                entry.onChoose();
              }}
            >
              {entry.label}
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </div>
  );
}
