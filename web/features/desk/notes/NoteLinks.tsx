import type { Note } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { Columns2, CornerDownRight, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { useScene, useContents } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { useControls } from '../DeskControls.tsx';
import { ChainButton } from './ChainButton.tsx';
import { ClipPicker } from './ClipPicker.tsx';
import { PairPicker } from './PairPicker.tsx';
import { useClockAt } from '../score/useClockAt.ts';

function Chip({ children, onOpen, away, onAway }: { children: ReactNode; onOpen: () => void; away: string; onAway: () => void }) {
  return (
    <span className="inline-flex max-w-64 items-center rounded-sm border border-seam bg-linen text-small">
      <button type="button" onClick={onOpen} className="flex min-w-0 items-center gap-1 px-1.5 py-0.5 hover:underline">
        {children}
      </button>
      <button type="button" aria-label={away} title={away} onClick={onAway} className="px-1 hover:bg-straw">
        <X size={12} />
      </button>
    </span>
  );
}

/** What a note is tied to: what caused it, its other half, a comparison. */
export function NoteLinks({ note }: { note: Note }) {
  const { linking, link } = useControls('writing');
  const tray = useControls('tray');
  const { actions, go } = useScene();
  const clockAt = useClockAt();
  const { whole } = useContents();
  const keyName = useKeyName();
  const comparison = note.comparisonId ? whole.comparisons[note.comparisonId] : undefined;
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {note.causes.map((id) => {
        const cause = whole.notes[id];
        if (!cause) return null;
        return (
          <Chip
            key={id}
            onOpen={() => go(cause.fromFrame, cause.id)}
            away="Not caused by this"
            onAway={() => actions.change('note', note.id, { causes: note.causes.filter((other) => other !== id) })}
          >
            <CornerDownRight size={12} className="shrink-0" aria-hidden />
            <span className="truncate">
              began at <span className="time">{clockText(clockAt(cause.fromFrame))}</span> {cause.what}
            </span>
          </Chip>
        );
      })}
      <button
        type="button"
        aria-pressed={linking}
        onClick={link}
        className="rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen aria-pressed:bg-pine aria-pressed:text-linen"
      >
        {linking ? 'Pick the earlier note on the sheet' : `Caused by … (${keyName('link')})`}
      </button>
      <ChainButton note={note} />
      <PairPicker note={note} />
      <ClipPicker note={note} />
      {comparison && (
        <Chip
          onOpen={() => tray.step({ do: 'load', comparison })}
          away="Take the comparison off this note"
          onAway={() => actions.change('note', note.id, { comparisonId: null })}
        >
          <Columns2 size={12} aria-hidden /> <span className="truncate">{comparison.name}</span>
        </Chip>
      )}
    </div>
  );
}
