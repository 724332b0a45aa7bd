import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { BringThere } from './BringThere.tsx';
import { StarShares } from './StarShares.tsx';

/** How long a section that was opened by a link stays in sight while the panel above it fills, ms. */
const KEPT_IN_SIGHT_MS = 8000;
/** Acts of the user that end it. */
const USER_ACTS = ['wheel', 'pointerdown', 'keydown', 'touchmove'] as const;

/** Scrolls a section into sight, and again whenever what is around it changes its height, until the user acts. @returns ends it */
function keepInSight(section: HTMLElement): () => void {
  const show = (): void => section.scrollIntoView({ block: 'start' });
  const observer = new ResizeObserver(show);
  const end = (): void => {
    observer.disconnect();
    clearTimeout(timer);
    for (const act of USER_ACTS) window.removeEventListener(act, end, true);
  };
  const timer = setTimeout(end, KEPT_IN_SIGHT_MS);
  for (const act of USER_ACTS) window.addEventListener(act, end, true);
  for (const part of section.parentElement?.children ?? []) observer.observe(part);
  show();
  return end;
}

interface PartProps {
  /** Its name in the address: a link can open it. */
  name: string;
  title: string;
  children: () => ReactNode;
}

/** A part that is computed while it is open. */
function Part({ name, title, children }: PartProps) {
  const [query] = useSearchParams();
  const isAsked = query.get('open') === name;
  const [open, setOpen] = useState(isAsked);
  const section = useRef<HTMLElement>(null);
  useEffect(() => (isAsked && section.current ? keepInSight(section.current) : undefined), [isAsked]);
  return (
    <section aria-label={title} ref={section}>
      <h3 className="mt-3.5 mb-1 text-[12.5px]">
        <button type="button" className="hover:text-edit" aria-expanded={open} onClick={() => setOpen(!open)}>
          {title} <span aria-hidden>{open ? '▴' : '▾'}</span>
        </button>
      </h3>
      {open ? children() : null}
    </section>
  );
}

/** Parameters of the selected level, and tuning them to the wanted rate. @param slotId another level begins again */
export function Tuning({ slotId }: { slotId: string }) {
  const [query] = useSearchParams();
  const opened = query.get('open') ?? '';
  return (
    <>
      <Part key={`bring ${slotId} ${opened}`} name="bring" title="Bring it there">
        {() => <BringThere />}
      </Part>
      <Part key={`stars ${slotId} ${opened}`} name="stars" title="Stars and par from shares">
        {() => <StarShares />}
      </Part>
    </>
  );
}
