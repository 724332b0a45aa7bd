import type { Bouts } from '@stadion/core/model';
import type { ReactNode } from 'react';
import type { LevelHere } from '../../project/levelHere.ts';

/** What every part of the screen is about. */
export interface BoutsHere {
  here: LevelHere;
  bouts: Bouts;
}

/** A part of the screen with its title, and what can be added. */
export function Part({
  title,
  says,
  acts,
  children,
}: {
  title: string;
  says?: string;
  acts?: ReactNode;
  children: ReactNode;
}) {
  return (
    <section aria-label={title}>
      <div className="mt-5 flex items-baseline gap-3 border-b border-line pb-1">
        <h2 className="text-[13px]">{title}</h2>
        <span className="grow text-[12px] text-ink-3">{says}</span>
        {acts}
      </div>
      {children}
    </section>
  );
}
