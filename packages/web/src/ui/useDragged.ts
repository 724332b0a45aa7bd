import { useMemo, useRef, useState } from 'react';

/** The dragged thing of a pointer, as its handlers read and change it. */
interface Dragged<T> {
  /** As it is now: the pointer may be let go before its last movement was drawn. */
  now: () => T | null;
  set: (next: T | null) => void;
}

/** The dragged thing of a pointer; null while it drags nothing. @returns as it is drawn, and as handlers read and change it */
export function useDragged<T>(): [shown: T | null, dragged: Dragged<T>] {
  const [shown, setShown] = useState<T | null>(null);
  const latest = useRef<T | null>(null);
  const dragged = useMemo(
    (): Dragged<T> => ({
      now: () => latest.current,
      set: (next) => {
        latest.current = next;
        setShown(next);
      },
    }),
    [],
  );
  return [shown, dragged];
}
