import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

export interface MenuEntry {
  label: string;
  keys?: string;
  disabled?: boolean;
  /** Told in words beside the label. */
  note?: string;
  onSelect: () => void;
}

/** A list of commands behind a button. */
export function Menu({ trigger, entries }: { trigger: ReactNode; entries: readonly (MenuEntry | 'line')[] }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="pop p-1"
          align="start"
          sideOffset={4}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            // The command has put the focus into a field: it stays there.
            if (document.activeElement instanceof HTMLInputElement) event.preventDefault();
          }}
        >
          {entries.map((entry, index) =>
            entry === 'line' ? (
              <DropdownMenu.Separator key={index} className="my-1 h-px bg-line" />
            ) : (
              <DropdownMenu.Item
                key={entry.label}
                className="menu-item"
                disabled={entry.disabled ?? false}
                onSelect={entry.onSelect}
              >
                <span className="grow">{entry.label}</span>
                {entry.note === undefined ? null : <span className="text-ink-3">{entry.note}</span>}
                {entry.keys === undefined ? null : <kbd>{entry.keys}</kbd>}
              </DropdownMenu.Item>
            ),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
