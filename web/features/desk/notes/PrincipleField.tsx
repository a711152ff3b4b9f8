import type { Note } from '@lean-mentor/core/desk';
import { useCombobox } from 'downshift';
import { useMemo, useState } from 'react';
import { useAccount } from '../../access/index.ts';
import { useScene, useContents } from '../DeskScene.ts';
import { newId } from '../newId.ts';
import { PrincipleCounts } from './PrincipleCounts.tsx';

/** So many are offered while typing. */
const mostOffered = 6;

/** A principle of the book; without an id one that is to be put into it. */
interface Choice {
  id: string;
  name: string;
}

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
  const [typed, setTyped] = useState<string | null>(null);
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

  const take = (choice: Choice): void => {
    setTyped(null);
    if (!note) ensure();
    actions.namePrinciple(noteId, { id: choice.id || newId(), name: choice.name.slice(0, 120) });
  };
  const leave = (): void => {
    if (typed === '' && note?.principleId) actions.change('note', note.id, { principleId: null });
    setTyped(null);
  };
  const { getInputProps, getItemProps, getMenuProps, highlightedIndex } = useCombobox<Choice>({
    items: choices,
    isOpen: choices.length > 0,
    inputValue: typed ?? named?.name ?? '',
    selectedItem: null,
    defaultHighlightedIndex: 0,
    itemToString: (choice) => choice?.name ?? '',
    onStateChange: ({ selectedItem }) => {
      if (selectedItem) take(selectedItem);
    },
    // Leaving the field chooses nothing; what was typed and not chosen is dropped.
    stateReducer: (state, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: null, inputValue: state.inputValue } : changes,
  });

  return (
    <div className="relative flex items-center gap-2">
      <input
        {...getInputProps({
          'aria-label': 'Principle',
          onBlur: leave,
          // Not by way of the combobox's own state, which comes a moment later: a fast typist's letters would be lost.
          onChange: ({ currentTarget }) => setTyped(currentTarget.value),
        })}
        placeholder="Principle"
        maxLength={120}
        className="h-7 w-52 rounded-sm border border-transparent border-b-seam bg-transparent px-2 placeholder:text-reed hover:bg-linen focus:border-seam focus:bg-linen"
      />
      <ul
        {...getMenuProps({ 'aria-label': 'Principles' })}
        className={`absolute bottom-full left-0 z-20 w-72 border border-ink bg-linen py-1 shadow-lg ${choices.length > 0 ? '' : 'hidden'}`}
      >
        {choices.map((choice, index) => (
          <li
            key={choice.id || 'new'}
            {...getItemProps({ item: choice, index })}
            className={`cursor-pointer px-3 py-1 ${index === highlightedIndex ? 'bg-straw' : ''}`}
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
      {note?.principleId && <PrincipleCounts note={note} principleId={note.principleId} />}
    </div>
  );
}
