import { useEffect, type RefObject } from 'react';

/**
 * Keeps what a scrolled box shows where it stands in the window, when something comes or goes above the box: what one is about
 * to click does not move away.
 */
export function useStaysInPlace(box: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let top = element.getBoundingClientRect().top;
    const observer = new ResizeObserver(() => {
      const now = element.getBoundingClientRect().top;
      element.scrollTop += now - top;
      top = now;
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [box]);
}
