import type { BookPrinciple } from '@lean-mentor/core/book';
import type { Note } from '@lean-mentor/core/desk';
import type { RankedFix } from '@lean-mentor/core/fixes';
import { EllipsisVertical } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { LadderControls } from './useLadder.ts';

interface RungMenuProps {
  fix: RankedFix;
  name: string;
  deciding: LadderControls;
  notes: readonly Note[];
  principle: BookPrinciple | undefined;
  /** Opens the line on which notes are given another principle: all of them, or some. */
  onRename: (how: 'merge' | 'split') => void;
}

const item = 'cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-straw data-[disabled]:opacity-40';

const toggled = (ids: readonly string[], id: string): string[] => (ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id]);

/** What can be done with a candidate besides moving it. */
export function RungMenu({ fix, name, deciding: { choice, asked, change }, notes, principle, onRename }: RungMenuProps) {
  const id = fix.principle;
  const tick = (words: string, on: boolean, onChange: () => void) => (
    <DropdownMenu.CheckboxItem checked={on} onCheckedChange={onChange} className={item}>
      <span className="inline-block w-5">{on ? '✓' : ''}</span>
      {words}
    </DropdownMenu.CheckboxItem>
  );
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`More for “${name}”`}
        className="flex size-8 shrink-0 items-center justify-center rounded-sm text-ink hover:bg-linen"
      >
        <EllipsisVertical size={17} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-20 flex max-w-80 flex-col border border-ink bg-linen py-1 text-desk shadow-lg">
          {tick('Keep it on top', choice.pinned.includes(id), () => change({ pinned: toggled(choice.pinned, id) }))}
          {tick('They asked about this', asked.includes(id), () => change({ asked: toggled(asked, id) }))}
          {tick('Part of their game plan', choice.gamePlan.includes(id), () => change({ gamePlan: toggled(choice.gamePlan, id) }))}
          <DropdownMenu.Separator className="my-1 h-px bg-seam" />
          <DropdownMenu.Item className={item} onSelect={() => change({ parked: [...choice.parked, id] })}>
            Park it for later
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => onRename('merge')}>
            {principle ? 'Merge into another principle' : 'Give it a principle'}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} disabled={notes.length < 2} onSelect={() => onRename('split')}>
            Split: give some of its notes another
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
