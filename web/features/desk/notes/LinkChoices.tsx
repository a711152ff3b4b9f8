import type { Linked } from '@lean-mentor/core/desk';
import { CornerDownRight } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';
import { useControls } from '../DeskControls.tsx';
import { useScored } from '../score/useScore.ts';
import { useLinked } from './useLinked.ts';

const mostShown = 40;

/** What a note may be linked to, each by when it was and what it is. */
function Choices({ choices, onPick }: { choices: readonly Linked[]; onPick: (id: string) => void }) {
  const { wordsOf, whenOf } = useLinked();
  return (
    <ul className="overflow-y-auto py-1">
      {choices.slice(0, mostShown).map((thing) => (
        <li key={thing.id}>
          <button
            type="button"
            onClick={() => onPick(thing.id)}
            className="flex w-full items-baseline gap-2 px-2 py-0.5 text-left text-small hover:bg-straw"
          >
            <span className="time shrink-0 text-reed">{whenOf(thing)}</span>
            <span className="truncate">{wordsOf(thing.id)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** While a cause is being picked: what happened before, and the notes of other films, since the sheet shows only those of this one. */
export function CauseChoices({ noteId }: { noteId: string }) {
  const { pickCause } = useControls('writing');
  const { begin } = useControls('coding');
  useEffect(begin, [begin]);
  const choices = useLinked().choicesOf(noteId, 'cause');
  if (choices.length === 0) return null;
  return (
    <div
      ref={(element) => element?.scrollIntoView?.({ block: 'nearest' })}
      aria-label="Or what caused it"
      role="group"
      className="flex max-h-32 w-full flex-col border border-seam bg-linen"
    >
      <Choices choices={choices} onPick={pickCause} />
    </div>
  );
}

/** What is coded after a note. Only looked up once it is asked for: a note is written in at the same time. */
function EffectChoices({ noteId, onPick }: { noteId: string; onPick: (id: string) => void }) {
  const choices = useLinked().choicesOf(noteId, 'effect');
  if (choices.length === 0) return <p className="px-3 py-2 text-small text-reed">Nothing more is coded from here on.</p>;
  return <Choices choices={choices} onPick={onPick} />;
}

/** "Led to …": points, taps and whatever else is coded after a note. */
export function EffectPicker({ noteId }: { noteId: string }) {
  const { pickEffect } = useControls('writing');
  const { begin } = useControls('coding');
  const { scored } = useScored();
  const [open, setOpen] = useState(false);
  if (scored.length === 0) return null;
  const change = (opens: boolean): void => {
    if (opens) begin();
    setOpen(opens);
  };
  const pick = (id: string): void => {
    pickEffect(id);
    setOpen(false);
  };
  return (
    <Popover.Root open={open} onOpenChange={change}>
      <Popover.Trigger className="inline-flex items-center gap-1 rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen">
        <CornerDownRight size={13} aria-hidden /> Led to …
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          aria-label="What it led to"
          className="z-30 flex max-h-72 w-80 flex-col border border-ink bg-linen shadow-lg"
        >
          <EffectChoices noteId={noteId} onPick={pick} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
