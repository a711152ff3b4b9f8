import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** What a popover's button opens: a box beside it, over the page, that stays within the screen. */
export const PopBox = ({ children }: { children: ReactNode }) => (
  <Popover.Portal>
    <Popover.Content
      align="start"
      sideOffset={6}
      collisionPadding={12}
      className="z-20 w-96 max-w-[calc(100vw-24px)] border border-ink bg-linen p-4 text-desk shadow-lg"
    >
      {children}
    </Popover.Content>
  </Popover.Portal>
);
