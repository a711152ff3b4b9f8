import { measureKinds } from '@lean-mentor/core/desk';
import { Ruler } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { measureWords } from './measureWords.ts';
import type { MeasureHand } from './useMeasureHand.ts';

/** What can be measured on this frame. */
export function MeasureMenu({ measuring }: { measuring: MeasureHand }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        title="Measure (M)"
        aria-label="Measure"
        className={`flex h-7 w-7 items-center justify-center rounded-sm hover:bg-linen ${measuring.kind ? 'bg-pine text-linen' : ''}`}
      >
        <Ruler size={16} strokeWidth={1.8} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          side="top"
          align="start"
          // The hands go back to the picture, so that the next key is the desk’s.
          onCloseAutoFocus={(event) => event.preventDefault()}
          className="z-20 flex w-80 flex-col border border-ink bg-linen py-1 shadow-lg"
        >
          {measureKinds.map((kind) => (
            <DropdownMenu.Item
              key={kind}
              onSelect={() => measuring.start(kind)}
              className="cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-straw"
            >
              <span className="font-semibold">{measureWords[kind].words}</span>
              <span className="block text-small text-reed">{measureWords[kind].how}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
