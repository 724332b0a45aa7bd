import { Dialog } from 'radix-ui';
import type { PartKey } from '../address/screen.ts';
import type { Shortcut } from '../ui/shortcuts.ts';

interface Props {
  open: boolean;
  shortcuts: readonly Shortcut[];
  /** Keys of parts of the screen. */
  parts: readonly PartKey[];
  onClose: () => void;
}

/** The keys of the present screen; stays beside the work. */
export function ShortcutList({ open, shortcuts, parts, onClose }: Props) {
  return (
    <Dialog.Root open={open} modal={false} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          className="pop fixed right-4 bottom-4 max-h-[calc(100vh-32px)] w-80 overflow-y-auto"
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => event.preventDefault()}
        >
          <div className="mb-2 flex items-center">
            <Dialog.Title>Keys on this screen</Dialog.Title>
            <Dialog.Close className="link ml-auto">Close</Dialog.Close>
          </div>
          <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
            {[...shortcuts, ...parts].map(({ keys, does }) => (
              <div key={keys} className="contents">
                <dt>
                  <kbd>{keys}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
