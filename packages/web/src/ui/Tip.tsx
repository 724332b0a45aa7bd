import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

/** Words beside a part of the screen, on hover and on focus. */
export function Tip({ text, children }: { text: ReactNode; children: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content className="pop max-w-80 py-1.5 text-[12px]" sideOffset={5} collisionPadding={8}>
          {text}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
