import { useState, type ReactNode } from 'react';
import { BringThere } from './BringThere.tsx';
import { StarShares } from './StarShares.tsx';

/** A part that is worked out while it is open. */
function Part({ title, children }: { title: string; children: () => ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label={title}>
      <h3 className="mt-3.5 mb-1 text-[12.5px]">
        <button type="button" className="hover:text-edit" aria-expanded={open} onClick={() => setOpen(!open)}>
          {title} <span aria-hidden>{open ? '▴' : '▾'}</span>
        </button>
      </h3>
      {open ? children() : null}
    </section>
  );
}

/** What turns the selected level, and turning it to what is wanted. @param slotId another level begins anew */
export function Tuning({ slotId }: { slotId: string }) {
  return (
    <>
      <Part key={`bring ${slotId}`} title="Bring it there">
        {() => <BringThere />}
      </Part>
      <Part key={`stars ${slotId}`} title="Stars and par from shares">
        {() => <StarShares />}
      </Part>
    </>
  );
}
