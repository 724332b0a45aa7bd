import { useEffect, useEffectEvent, type RefObject } from 'react';

/** Time after the last move of a pointer over the box in which it counts as aiming, ms. */
const AIMS_MS = 2000;

/**
 * Keeps the content of a scrolled box in its place in the window, when something comes or goes above the box while a
 * pointer aims at something in it: what one is about to click does not move away.
 *
 * @param onMoved called when the box was moved down while nobody aimed at it, px
 */
export function useStaysInPlace(box: RefObject<HTMLElement | null>, onMoved: (by: number) => void): void {
  const moved = useEffectEvent(onMoved);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let aimedAt = Number.NEGATIVE_INFINITY;
    const aim = (): void => void (aimedAt = performance.now());
    element.addEventListener('pointermove', aim);
    let top = element.getBoundingClientRect().top;
    const observer = new ResizeObserver(() => {
      const now = element.getBoundingClientRect().top;
      const by = now - top;
      top = now;
      if (by === 0) return;
      if (performance.now() - aimedAt < AIMS_MS) element.scrollTop += by;
      else moved(by);
    });
    observer.observe(element);
    return () => {
      element.removeEventListener('pointermove', aim);
      observer.disconnect();
    };
  }, [box]);
}
