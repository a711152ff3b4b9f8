import type { BookPrinciple } from '@lean-mentor/core/book';
import type { Note } from '@lean-mentor/core/desk';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, Finder, namedOptions, smallSelect } from '../../shared/primitives/index.ts';
import { useDeskActions } from '../desk/index.ts';

interface RenameNotesProps {
  how: 'merge' | 'split';
  notes: readonly Note[];
  principles: readonly BookPrinciple[];
  onDone: () => void;
}

/** Gives notes of a rung another principle: all of them, or those that are ticked. It can be undone. */
export function RenameNotes({ how, notes, principles, onDone }: RenameNotesProps) {
  const [ticked, setTicked] = useState<readonly string[]>(how === 'merge' ? notes.map(({ id }) => id) : []);
  const [to, setTo] = useState('');
  const actions = useDeskActions();
  const own = notes[0]?.principleId ?? null;
  const go = (): void => {
    const moved = notes.filter(({ id }) => ticked.includes(id));
    actions.together((_, make) => moved.map(({ id }) => make.patched('note', id, { principleId: to })));
    const name = principles.find(({ id }) => id === to)?.name ?? '';
    toast(`${moved.length === 1 ? 'One note names' : `${moved.length} notes name`} “${name}” now.`, {
      action: { label: 'Undo', onClick: actions.undo },
    });
    onDone();
  };
  return (
    <div className="flex flex-col gap-2 border-b border-pine bg-linen px-3 py-3 text-small">
      {how === 'split' && (
        <fieldset>
          <legend className="font-semibold">Which of its notes?</legend>
          {notes.map(({ id, what }) => (
            <label key={id} className="flex items-start gap-2 py-0.5">
              <input
                type="checkbox"
                checked={ticked.includes(id)}
                onChange={() => setTicked(ticked.includes(id) ? ticked.filter((one) => one !== id) : [...ticked, id])}
                className="mt-1"
              />
              {what || 'A note without words'}
            </label>
          ))}
        </fieldset>
      )}
      <div className="flex items-center gap-3">
        <label className="flex min-w-0 grow items-center gap-2">
          <span className="shrink-0">{how === 'merge' ? 'Its notes here name' : 'They name'}</span>
          <Finder
            autoFocus
            label="Another principle"
            value={to}
            placeholder="choose a principle of the book …"
            options={namedOptions(principles.filter(({ id }) => id !== own))}
            onChange={setTo}
            className={`${smallSelect} grow`}
          />
        </label>
        <Button look="plain" disabled={to === '' || ticked.length === 0} onClick={go}>
          {how === 'merge' ? 'Merge' : 'Split'}
        </Button>
        <Button look="quiet" onClick={onDone}>
          Not now
        </Button>
      </div>
    </div>
  );
}
