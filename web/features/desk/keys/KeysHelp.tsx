import { Keyboard } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';
import { canBeGiven, deskKeys, keyGiven, keyWords, usualKeys, type DeskKey } from './deskKeys.ts';
import { setKeyMap, useKeyMap } from './keyMap.ts';

const textInputs = 'input:not([type=range], [type=checkbox], [type=radio], [type=file])';

/** Keys that stay what they are. */
const fixed: readonly [keys: string, does: string][] = [
  ['1–9', 'Choose a drawing tool'],
  ['Wheel', 'Enlarge where the pointer is'],
  ['Alt 1–5', 'While writing: the kind; Alt I one more line, Enter is done'],
  ['Ctrl C, Ctrl V', 'Copy the selected drawing; paste it on this frame'],
  ['Enter', 'Close a gap, finish a measurement'],
  ['Delete', 'Take the selected drawing away; let go of the mark here'],
  ['Ctrl Z, Ctrl Y', 'Take the last edit back, do it again; also after a reload'],
  ['Esc', 'Leave what you are in; text stays'],
];

/** The keys of the desk, from the row or by `?`; each can be given another place. */
export function KeysHelp() {
  const [open, setOpen] = useState(false);
  const [waiting, setWaiting] = useState<DeskKey | null>(null);
  const map = useKeyMap();
  useEffect(() => {
    const asked = (event: KeyboardEvent): void => {
      // Where words are written, it is one of them.
      const typing = event.target instanceof HTMLElement && event.target.matches(`${textInputs}, textarea, [contenteditable]`);
      if (event.key === '?' && !typing) setOpen((shown) => !shown);
    };
    // Whatever has the focus, and whatever it does with its keys.
    addEventListener('keydown', asked, { capture: true });
    return () => removeEventListener('keydown', asked, { capture: true });
  }, []);
  useEffect(() => {
    if (!waiting) return;
    // Before the desk's own listener: the key is being given away, not pressed.
    const given = (event: KeyboardEvent): void => {
      event.preventDefault();
      event.stopImmediatePropagation();
      if (event.code !== 'Escape' && !canBeGiven(event.code)) return;
      if (event.code !== 'Escape') setKeyMap(keyGiven(map, waiting, event.code));
      setWaiting(null);
    };
    addEventListener('keydown', given, { capture: true });
    return () => removeEventListener('keydown', given, { capture: true });
  }, [waiting, map]);
  return (
    <Popover.Root
      open={open}
      onOpenChange={(shown) => {
        setOpen(shown);
        setWaiting(null);
      }}
    >
      <Popover.Trigger title="Keys (?)" aria-label="Keys" className="flex size-8 items-center justify-center rounded-sm hover:bg-linen">
        <Keyboard size={17} strokeWidth={1.8} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="end"
          sideOffset={8}
          className="z-10 max-h-[var(--radix-popover-content-available-height)] w-[36rem] overflow-y-auto border border-ink bg-linen p-4 shadow-lg"
        >
          <p className="mb-2 text-small text-reed">Press a key’s name to give it another place. They are kept in this browser.</p>
          <dl className="grid grid-cols-[9rem_1fr] gap-x-4 gap-y-0.5">
            {(Object.keys(deskKeys) as DeskKey[]).map((name) => (
              <div key={name} className="contents">
                <dt>
                  <button
                    type="button"
                    aria-label={`Another key for: ${deskKeys[name].words}`}
                    aria-pressed={waiting === name}
                    onClick={() => setWaiting(waiting === name ? null : name)}
                    className="time min-w-16 rounded-sm border border-seam px-1.5 text-left text-small hover:border-pine aria-pressed:bg-pine aria-pressed:text-linen"
                  >
                    {waiting === name ? 'Press it' : keyWords(map[name])}
                  </button>
                </dt>
                <dd>{deskKeys[name].words}</dd>
              </div>
            ))}
            {fixed.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="time pt-0.5 pl-1.5 text-small whitespace-pre">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          {JSON.stringify(map) !== JSON.stringify(usualKeys) && (
            <button type="button" className="mt-3 font-semibold text-pine hover:underline" onClick={() => setKeyMap(usualKeys)}>
              All keys as they were
            </button>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
