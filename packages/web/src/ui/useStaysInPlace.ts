import { useEffect, useEffectEvent, type RefObject } from 'react';

/**
 * Keeps what a scrolled box shows where it stands in the window, when something comes or goes above the box while the pointer is
 * over it: what one is about to click does not move away.
 *
 * @param onMoved the box was moved down by so many px while the pointer was elsewhere
 */
export function useStaysInPlace(box: RefObject<HTMLElement | null>, onMoved: (by: number) => void): void {
  const moved = useEffectEvent(onMoved);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let top = element.getBoundingClientRect().top;
    const observer = new ResizeObserver(() => {
      const now = element.getBoundingClientRect().top;
      const by = now - top;
      top = now;
      if (by === 0) return;
      if (element.matches(':hover')) element.scrollTop += by;
      else moved(by);
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
}
