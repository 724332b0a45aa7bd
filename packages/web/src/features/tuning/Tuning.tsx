import { useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { BringThere } from './BringThere.tsx';
import { StarShares } from './StarShares.tsx';

interface PartProps {
  /** Its name in the address: a link can open it. */
  name: string;
  title: string;
  children: () => ReactNode;
}

/** A part that is computed while it is open. */
function Part({ name, title, children }: PartProps) {
  const [query] = useSearchParams();
  const [open, setOpen] = useState(query.get('open') === name);
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
