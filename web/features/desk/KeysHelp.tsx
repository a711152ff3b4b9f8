import { Keyboard } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';

const keys: readonly [keys: string, does: string][] = [
  ['Space', 'Play, pause'],
  ['A  D', 'One frame back, on; held: glides; with Shift 10 frames'],
  ['Wheel', 'Enlarge where the pointer is; drag with Space to move the picture'],
  ['Q', 'Run it back: from 3 s earlier at half speed; again: 3 s more'],
  ['Shift Q', 'Play the range here over and over, or the last 3 s'],
  ['W  S', 'Faster, slower; slowest of all is backwards'],
  ['E', 'Drop a mark; Shift E begins and ends a range'],
  ['B  N', 'Next burst of movement; pass over lulls, or not'],
  ['Z  X', 'Previous, next mark or note'],
  ['F', 'Write on this frame; while writing Alt 1–5 is the kind, Alt I one more line, Enter is done'],
  ['L', 'This note was caused by … (then pick the earlier one)'],
  ['C', 'Put this frame in the compare tray'],
  ['T  1–9', 'The last drawing tool; or choose one'],
  ['K', 'Pin the selected drawing on this frame'],
  ['Ctrl C, Ctrl V', 'Copy the selected drawing; paste it on this frame'],
  ['V', 'Hide drawings while held'],
  ['Enter', 'Close a gap, finish a measurement'],
  ['Delete', 'Take the selected drawing away; let go of the mark here'],
  ['Ctrl Z, Ctrl Y', 'Take the last edit back, do it again; also after a reload'],
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
        <Popover.Content side="top" align="end" sideOffset={8} className="z-10 w-[30rem] border border-ink bg-linen p-4 shadow-lg">
          <dl className="grid grid-cols-[7rem_1fr] gap-x-4 gap-y-1">
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
