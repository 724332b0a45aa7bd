import type { ReactNode } from 'react';

/** One line of the level's sheet: what it is about, and its sentences. */
export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="act-row grid grid-cols-[104px_1fr] border-t border-line py-2">
      <h3 className="pt-[3px]">{title}</h3>
      <div className="min-w-0">{children}</div>
    </section>
  );
}
