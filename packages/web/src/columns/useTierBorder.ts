import { moveTier, tierLimits } from '@stadion/core/authoring/edits';
import type { LiveAxis } from '@stadion/core/document/model';
import type { KeyboardEvent, PointerEvent } from 'react';
import { shallowEqual } from 'react-redux';
import { useDragged } from '../ui/index.ts';
import { useEdit, useProjectNow, useProjectPart } from '../store/hooks.ts';

/** A tier whose border can be moved. */
interface Bordered {
  id: string;
  name: string;
  from: number;
}

/** The axis that a border is moved along. */
interface Along {
  /** A reading; the sequence when absent. */
  axis?: LiveAxis | undefined;
  /** The place under the pointer. @param clientX px */
  placeAt: (clientX: number) => number;
  /** How far an arrow key moves it. */
  step: number;
  /** Where it begins, in words. */
  say: (from: number) => string;
}

/** The border at which a tier begins: dragged, or moved by arrow keys, never past its neighbours. Gives where it stands now and what makes an element its handle. */
export function useTierBorder(tier: Bordered, { axis, placeAt, step, say }: Along) {
  const now = useProjectNow();
  const edit = useEdit();
  const [at, drag] = useDragged<number>();
  const { min, max } = useProjectPart((project) => tierLimits(project, axis, tier.id), shallowEqual);
  const kept = (place: number): number => Math.min(max, Math.max(min, Math.round(place)));
  const from = at ?? tier.from;
  return {
    from,
    handle: {
      role: 'slider',
      tabIndex: 0,
      'aria-label': `Border of ${tier.name}: left and right move where it begins`,
      'aria-valuemin': min,
      'aria-valuemax': max,
      'aria-valuenow': from,
      'aria-valuetext': say(from),
      onPointerDown: (event: PointerEvent<HTMLElement | SVGElement>): void => {
        if (event.button !== 0) return;
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.focus();
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.set(tier.from);
      },
      onPointerMove: (event: PointerEvent): void => {
        if (drag.now() !== null) drag.set(kept(placeAt(event.clientX)));
      },
      onPointerUp: (): void => {
        const to = drag.now();
        if (to !== null) edit(moveTier(now(), axis, tier.id, to));
        drag.set(null);
      },
      onKeyDown: (event: KeyboardEvent): void => {
        const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (by === 0) return;
        event.preventDefault();
        edit(moveTier(now(), axis, tier.id, kept(tier.from + by * step)));
      },
    },
  };
}
