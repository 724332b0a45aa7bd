import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** Acts of the section, under the title, where they move nothing. */
  acts?: ReactNode;
  children: ReactNode;
}

/** One line of the level's sheet: what it is about, and its sentences. */
export function Section({ title, acts, children }: Props) {
  return (
    <section aria-label={title} className="act-row grid grid-cols-[104px_1fr] border-t border-line py-2">
      <div>
        <h3 className="pt-[3px]">{title}</h3>
        {acts === undefined ? null : <div className="act flex flex-col items-start text-[12px]">{acts}</div>}
      </div>
      <div className="min-w-0">{children}</div>
    </section>
  );
}
