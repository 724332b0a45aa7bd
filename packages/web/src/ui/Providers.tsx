import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';

/** Context that the parts of this folder need. */
export function StadionProviders({ children }: { children: ReactNode }) {
  return (
    <Tooltip.Provider delayDuration={350}>
      {children}
      {/* They take no clicks: what lies below them can be pressed. */}
      <Toaster
        position="bottom-center"
        className="pointer-events-none"
        toastOptions={{ className: 'pointer-events-none! font-sans' }}
      />
    </Tooltip.Provider>
  );
}
