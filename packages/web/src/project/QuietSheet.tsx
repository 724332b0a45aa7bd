import type { ReactNode } from 'react';
import { useQuietRows } from '../ui/quietRows.ts';
import { useAppSelector, useProject } from './hooks.ts';

/** A sheet that reads as prose at rest: acts come where the pointer or the focus is, or stay, as the person prefers. */
export function QuietSheet({ children }: { children: ReactNode }) {
  const allActs = useAppSelector((state) => state.view.allActs);
  const rows = useQuietRows(useProject(), allActs);
  return (
    <div
      className={`min-h-0 min-w-0 grow overflow-y-auto px-[22px] pt-3.5 pb-8 ${allActs ? '' : 'quiet'}`}
      {...(allActs ? {} : rows)}
    >
      {children}
    </div>
  );
}
