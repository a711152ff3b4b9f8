import { Keyboard } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';

const keys: readonly [keys: string, does: string][] = [
  ['Space', 'Play, pause'],
  ['A  D', 'One frame back, on; held: glides; with Shift 10 frames'],
  ['Wheel', 'Enlarge where the pointer is; drag with Space to move the picture'],
  ['Q', 'Run it back: from 3 s earlier at half speed; again: 3 s more'],
  ['W  S', 'Faster, slower'],
  ['E', 'Drop a mark'],
  ['B', 'Next burst of movement'],
  ['N', 'Pass over lulls while playing, or not'],
  ['Z  X', 'Previous, next mark or note'],
  ['F', 'Write on this frame'],
  ['T', 'Pick up the last drawing tool; 1 arrow, 2 freehand'],
  ['V', 'Hide drawings while held'],
  ['Delete', 'Take the selected drawing away'],
  ['Ctrl Z, Ctrl Y', 'Take the last edit back, do it again'],
  ['Esc', 'Leave what you are in; text stays'],
];

/** The keys of the desk, from the row or by `?`. */
export function KeysHelp() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const asked = (event: KeyboardEvent): void => {
      const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, [contenteditable]');
      if (event.key === '?' && !typing) setOpen((shown) => !shown);
    };
    addEventListener('keydown', asked);
    return () => removeEventListener('keydown', asked);
  }, []);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger title="Keys (?)" aria-label="Keys" className="flex size-8 items-center justify-center rounded-sm hover:bg-linen">
        <Keyboard size={17} strokeWidth={1.8} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content side="top" align="end" sideOffset={8} className="z-10 w-[26rem] border border-ink bg-linen p-4 shadow-lg">
          <dl className="grid grid-cols-[7rem_1fr] gap-x-4 gap-y-1.5">
            {keys.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="time pt-0.5 text-small whitespace-pre">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
