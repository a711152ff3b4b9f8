import type { Note } from '@lean-mentor/core/desk';
import { useMemo } from 'react';
import { Finder, namedOptions } from '../../../shared/primitives/index.ts';
import { useAccount } from '../../access/index.ts';
import { useScene, useContents } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import { PrincipleCounts } from './PrincipleCounts.tsx';

const mostLetters = 120;

interface PrincipleFieldProps {
  note: Note | undefined;
  noteId: string;
  /** Writes a new note down first, so that there is something to name the principle on. */
  ensure: () => void;
}

/** The principle a note is about, by typing a part of its name; the coach may put one into the book that is not in it yet. */
export function PrincipleField({ note, noteId, ensure }: PrincipleFieldProps) {
  const { actions } = useScene();
  const { whole } = useContents();
  const options = useMemo(() => namedOptions(Object.values(whole.principles)), [whole.principles]);
  // The book is the coach's: an assistant chooses from it.
  const mayAdd = useAccount()?.role !== 'assistant';
  const name = (id: string, words: string): void => {
    if (!note) ensure();
    actions.namePrinciple(noteId, { id, name: words.slice(0, mostLetters) });
  };
  const choose = (id: string): void => {
    if (id !== '') name(id, whole.principles[id]!.name);
    else if (note) actions.change('note', note.id, { principleId: null });
  };
  return (
    <div className="flex items-center gap-2">
      <Finder
        label="Principle"
        value={note?.principleId ?? ''}
        options={options}
        onChange={choose}
        placeholder="Principle"
        mayBeEmpty
        adds={mayAdd ? { words: 'New principle', mostLetters, add: (words) => name(newId(), words) } : undefined}
        className="h-7 w-52 rounded-sm border border-transparent border-b-seam bg-transparent px-2 placeholder:text-reed hover:bg-linen focus:border-seam focus:bg-linen"
      />
      {note?.principleId && <PrincipleCounts note={note} principleId={note.principleId} />}
    </div>
  );
}
