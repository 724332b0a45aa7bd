import type { ReactNode } from 'react';
import { useAppSelector } from '../store/hooks.ts';

/** A sheet that reads as prose at rest: what is seldom wanted comes with the pointer or the focus, or stays, as the person prefers. */
export function QuietSheet({ children }: { children: ReactNode }) {
  const allActs = useAppSelector((state) => state.view.allActs);
  return (
    <div
      className={`min-h-0 min-w-0 grow overflow-y-auto px-[22px] pt-3.5 pb-8 [scrollbar-gutter:stable] ${allActs ? '' : 'quiet'}`}
    >
      {children}
    </div>
  );
}
