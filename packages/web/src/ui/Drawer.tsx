import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** The key that opens and closes it. */
  keys: string;
  onClose: () => void;
  children: ReactNode;
}

/** Lies over the right side of a screen until it is closed. */
export function Drawer({ title, keys, onClose, children }: Props) {
  return (
    <aside
      aria-label={title}
      className="absolute inset-y-0 right-0 z-20 flex w-[470px] flex-col border-l border-line-strong bg-sheet shadow-lg"
    >
      <div className="flex items-center px-4 pt-3.5 pb-2">
        <h2 className="text-[14px]">{title}</h2>
        <button type="button" className="link ml-auto" onClick={onClose}>
          Close <kbd>{keys}</kbd>
        </button>
      </div>
      {children}
    </aside>
  );
}
