import type { Note } from '@lean-mentor/core/desk';
import { Columns2, CornerDownRight, CornerLeftUp, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { useScene, useContents } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { useControls } from '../DeskControls.tsx';
import { ChainButton } from './ChainButton.tsx';
import { ClipPicker } from './ClipPicker.tsx';
import { CauseChoices, EffectPicker } from './LinkChoices.tsx';
import { PairPicker } from './PairPicker.tsx';
import { ThingLink } from './ThingLink.tsx';
import { useLinked } from './useLinked.ts';

const inChip = 'flex min-w-0 items-center gap-1 px-1.5 py-0.5 hover:underline';

/** Something that a note is tied to, and how it is untied. */
function Chip({ children, away, onAway }: { children: ReactNode; away: string; onAway: () => void }) {
  return (
    <span className="inline-flex max-w-64 items-center rounded-sm border border-seam bg-linen text-small">
      {children}
      <button type="button" aria-label={away} title={away} onClick={onAway} className="px-1 hover:bg-straw">
        <X size={12} />
      </button>
    </span>
  );
}

/** What a note is tied to: what caused it and what it led to, its other half, a comparison. */
export function NoteLinks({ note }: { note: Note }) {
  const { linking, link } = useControls('writing');
  const tray = useControls('tray');
  const { actions } = useScene();
  const { things, wordsOf, whenOf } = useLinked();
  const effects = note.ledTo.flatMap((id) => things.get(id) ?? []);
  const { whole } = useContents();
  const keyName = useKeyName();
  const comparison = note.comparisonId ? whole.comparisons[note.comparisonId] : undefined;
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {note.causes.map((id) => {
        const cause = things.get(id);
        if (!cause) return null;
        return (
          <Chip
            key={id}
            away="Not caused by this"
            onAway={() => actions.change('note', note.id, { causes: note.causes.filter((other) => other !== id) })}
          >
            <ThingLink thing={cause} className={inChip}>
              <CornerLeftUp size={12} className="shrink-0" aria-hidden />
              <span className="truncate">
                began at <span className="time">{whenOf(cause)}</span> {wordsOf(id)}
              </span>
            </ThingLink>
          </Chip>
        );
      })}
      {effects.map((effect) => (
        <Chip
          key={effect.id}
          away="Did not lead to this"
          onAway={() => actions.change('note', note.id, { ledTo: note.ledTo.filter((id) => id !== effect.id) })}
        >
          <ThingLink thing={effect} className={inChip}>
            <CornerDownRight size={12} className="shrink-0" aria-hidden />
            <span className="truncate">
              led at <span className="time">{whenOf(effect)}</span> to {wordsOf(effect.id)}
            </span>
          </ThingLink>
        </Chip>
      ))}
      <button
        type="button"
        aria-pressed={linking}
        onClick={link}
        className="rounded-sm px-1.5 py-0.5 text-small font-semibold text-pine hover:bg-linen aria-pressed:bg-pine aria-pressed:text-linen"
      >
        {linking ? 'Pick the earlier note on the sheet' : `Caused by … (${keyName('link')})`}
      </button>
      <EffectPicker noteId={note.id} />
      <ChainButton note={note} />
      <PairPicker note={note} />
      <ClipPicker note={note} />
      {comparison && (
        <Chip away="Take the comparison off this note" onAway={() => actions.change('note', note.id, { comparisonId: null })}>
          <button type="button" onClick={() => tray.step({ do: 'load', comparison })} className={inChip}>
            <Columns2 size={12} aria-hidden /> <span className="truncate">{comparison.name}</span>
          </button>
        </Chip>
      )}
      {linking && <CauseChoices noteId={note.id} />}
    </div>
  );
}
