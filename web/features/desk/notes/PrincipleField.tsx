import type { Note } from '@lean-mentor/core/desk';
import { useId, useMemo, useState } from 'react';
import { useAccount } from '../../access/index.ts';
import { useScene, useThings } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import { PrincipleCounts } from './PrincipleCounts.tsx';

/** So many are offered while typing. */
const mostOffered = 6;

interface PrincipleFieldProps {
  note: Note | undefined;
  noteId: string;
  /** Writes a new note down first, so that there is something to name the principle on. */
  ensure: () => void;
}

/** The principle a note is about, by typing a part of its name; the coach may put one into the book that is not in it yet. */
export function PrincipleField({ note, noteId, ensure }: PrincipleFieldProps) {
  const { actions } = useScene();
  const { whole } = useThings();
  const [typed, setTyped] = useState<string | null>(null);
  const [picked, setPicked] = useState(0);
  const listId = useId();
  const named = note?.principleId ? whole.principles[note.principleId] : undefined;
  const wanted = typed?.trim().toLocaleLowerCase() ?? '';
  const offered = useMemo(() => {
    if (wanted === '') return [];
    const found = Object.values(whole.principles).filter(({ name }) => name.toLocaleLowerCase().includes(wanted));
    const starts = (name: string): number => (name.toLocaleLowerCase().startsWith(wanted) ? 0 : 1);
    return found.sort((a, b) => starts(a.name) - starts(b.name) || a.name.localeCompare(b.name)).slice(0, mostOffered);
  }, [whole.principles, wanted]);
  const exact = offered.find(({ name }) => name.toLocaleLowerCase() === wanted);
  // The book is the coach's: an assistant chooses from it.
  const mayAdd = useAccount()?.role !== 'assistant';
  const choices = typed !== null && wanted !== '' && !exact && mayAdd ? [...offered, { id: '', name: typed.trim() }] : offered;

  const take = (choice: { id: string; name: string } | undefined): void => {
    setTyped(null);
    if (!choice) return;
    if (!note) ensure();
    actions.namePrinciple(noteId, { id: choice.id || newId(), name: choice.name.slice(0, 120) });
  };
  const leave = (): void => {
    if (typed === '' && note?.principleId) actions.change('note', note.id, { principleId: null });
    setTyped(null);
  };
  const keys = (event: React.KeyboardEvent): void => {
    if (event.key === 'ArrowDown') setPicked((at) => Math.min(choices.length - 1, at + 1));
    else if (event.key === 'ArrowUp') setPicked((at) => Math.max(0, at - 1));
    else if (event.key === 'Enter' && choices.length > 0) take(choices[picked]);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  return (
    <div className="relative flex items-center gap-2">
      <input
        role="combobox"
        aria-label="Principle"
        aria-expanded={choices.length > 0}
        aria-controls={listId}
        aria-autocomplete="list"
        value={typed ?? named?.name ?? ''}
        placeholder="Principle"
        maxLength={120}
        onChange={(e) => {
          setTyped(e.target.value);
          setPicked(0);
        }}
        onKeyDown={keys}
        onBlur={leave}
        className="h-7 w-52 rounded-sm border border-transparent border-b-seam bg-transparent px-2 placeholder:text-reed hover:bg-linen focus:border-seam focus:bg-linen"
      />
      {choices.length > 0 && (
        <ul
          id={listId}
          role="listbox"
          aria-label="Principles"
          className="absolute bottom-full left-0 z-20 w-72 border border-ink bg-linen py-1 shadow-lg"
        >
          {choices.map((choice, i) => (
            <li
              key={choice.id || 'new'}
              role="option"
              aria-selected={i === picked}
              // Before the field is left, which would throw the choice away.
              onPointerDown={(event) => (event.preventDefault(), take(choice))}
              className={`cursor-pointer px-3 py-1 ${i === picked ? 'bg-straw' : ''}`}
            >
              {choice.id === '' ? (
                <>
                  New principle: <strong>{choice.name}</strong>
                </>
              ) : (
                choice.name
              )}
            </li>
          ))}
        </ul>
      )}
      {note?.principleId && <PrincipleCounts note={note} principleId={note.principleId} />}
    </div>
  );
}
