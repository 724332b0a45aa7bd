import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';

/** What the parts of this folder need around them. */
export function StadionProviders({ children }: { children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={350}>
      {children}
      <Toaster position="bottom-left" toastOptions={{ className: 'font-sans' }} />
    </Tooltip.Provider>
  );
}
