import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import { useState } from 'react';
import { DrillForm } from './DrillForm.tsx';
import { DrillView } from './DrillView.tsx';
import { EntryActions } from './EntryActions.tsx';
import { PrincipleForm } from './PrincipleForm.tsx';
import { PrincipleView } from './PrincipleView.tsx';
import { hasKeptDraft } from './useKeptDraft.ts';

type Counted = BookPrinciple & { notes: number };

interface BookEntryProps {
  entry: BookPrinciple | BookDrill;
  isNew: boolean;
  mayChange: boolean;
  principles: readonly Counted[];
  drills: readonly BookDrill[];
  onOpen: (shelf: 'principles' | 'drills', id: string | null) => void;
}

/** One entry, read or written. */
export function BookEntry({ entry, isNew, mayChange, principles, drills, onOpen }: BookEntryProps) {
  const [editing, setEditing] = useState(isNew || hasKeptDraft(entry.id));
  const shelf = 'cue' in entry ? 'principles' : 'drills';
  const done = (): void => (isNew ? onOpen(shelf, entry.id) : setEditing(false));
  if (editing && mayChange)
    return 'cue' in entry ? (
      <PrincipleForm principle={entry} principles={principles} drills={drills} onDone={done} />
    ) : (
      <DrillForm drill={entry} onDone={done} />
    );
  const counted = principles.find(({ id }) => id === entry.id);
  return (
    <article className="flex flex-col gap-5">
      <header className="flex flex-wrap items-start justify-between gap-4">
        <h2 className="text-banner">{entry.name}</h2>
        {mayChange && (
          <EntryActions
            entry={counted ?? (entry as BookDrill)}
            principles={principles}
            onEdit={() => setEditing(true)}
            onGone={(next) => onOpen(shelf, next)}
          />
        )}
      </header>
      {counted ? (
        <PrincipleView principle={counted} principles={principles} drills={drills} onOpen={onOpen} />
      ) : (
        <DrillView drill={entry as BookDrill} principles={principles} onOpen={(id) => onOpen('principles', id)} />
      )}
    </article>
  );
}
