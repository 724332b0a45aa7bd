import { Dialog } from 'radix-ui';
import type { Shortcut } from './shortcuts.ts';

interface Props {
  open: boolean;
  shortcuts: readonly Shortcut[];
  onClose: () => void;
}

/** The keys of the present screen; stays beside the work. */
export function ShortcutList({ open, shortcuts, onClose }: Props) {
  return (
    <Dialog.Root open={open} modal={false} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          className="pop fixed right-4 bottom-4 w-72"
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => event.preventDefault()}
        >
          <div className="mb-2 flex items-center">
            <Dialog.Title>Keys on this screen</Dialog.Title>
            <Dialog.Close className="link ml-auto">Close</Dialog.Close>
          </div>
          <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
            {shortcuts.map(({ keys, does }) => (
              <div key={keys} className="contents">
                <dt>
                  <kbd>{keys}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
            <div className="contents">
              <dt>
                <kbd>↑ ↓</kbd> <kbd>=</kbd>
              </dt>
              <dd>On a number: nudge (Shift: by ten), follow a parameter</dd>
            </div>
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
