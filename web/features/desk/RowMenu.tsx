import type { LucideIcon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

interface RowMenuProps {
  icon: LucideIcon;
  words: string;
  pressed?: boolean;
  children: ReactNode;
}

export const rowMenuItem = 'cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-straw';

/** A menu that opens upwards from the row under the stage. */
export function RowMenu({ icon: Icon, words, pressed = false, children }: RowMenuProps) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        title={words}
        aria-label={words}
        className={`flex h-7 w-7 items-center justify-center rounded-sm hover:bg-linen ${pressed ? 'bg-pine text-linen' : ''}`}
      >
        <Icon size={16} strokeWidth={1.8} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          align="start"
          // The hands go back to the picture, so that the next key is the desk’s.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-20 flex max-w-80 flex-col border border-ink bg-linen py-1 shadow-lg"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
