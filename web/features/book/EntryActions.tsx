import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button, Finder, namedOptions, smallSelect } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import {
  useMergeBookPrinciplesMutation,
  useRemoveBookDrillMutation,
  useRemoveBookPrincipleMutation,
  useSaveBookDrillMutation,
  useSaveBookPrincipleMutation,
} from './entriesApi.ts';

interface EntryActionsProps {
  entry: (BookPrinciple & { notes: number }) | BookDrill;
  principles: readonly BookPrinciple[];
  onEdit: () => void;
  onGone: (nextId: string | null) => void;
}

/** Edit, merge into another, take away; what is taken away can be put back. */
export function EntryActions({ entry, principles, onEdit, onGone }: EntryActionsProps) {
  const [merging, setMerging] = useState(false);
  const [into, setInto] = useState('');
  const [removePrinciple] = useRemoveBookPrincipleMutation();
  const [removeDrill] = useRemoveBookDrillMutation();
  const [savePrinciple] = useSaveBookPrincipleMutation();
  const [saveDrill] = useSaveBookDrillMutation();
  const [merge] = useMergeBookPrinciplesMutation();
  const isPrinciple = 'cue' in entry;

  const putBack = async (): Promise<void> => {
    if (!isPrinciple) {
      await saveDrill({ drillId: entry.id, ...entry });
      for (const principle of principles.filter(({ drillIds }) => drillIds.includes(entry.id)))
        await savePrinciple({ principleId: principle.id, ...principle });
      return;
    }
    const { notes: _notes, ...principle } = entry;
    await savePrinciple({ principleId: principle.id, ...principle });
    for (const other of principles.filter(({ prerequisites }) => prerequisites.includes(entry.id)))
      await savePrinciple({ principleId: other.id, ...other });
  };
  const remove = async (): Promise<void> => {
    const answer = await (isPrinciple ? removePrinciple(entry.id) : removeDrill(entry.id));
    if (answer.error) return void toast.error(faultWords(answer.error));
    onGone(null);
    toast(`“${entry.name}” is out of the book.`, { action: { label: 'Put it back', onClick: () => void putBack() } });
  };
  const mergeInto = async (intoId: string): Promise<void> => {
    const answer = await merge({ principleId: entry.id, intoId });
    setMerging(false);
    if (answer.error) return void toast.error(faultWords(answer.error));
    onGone(intoId);
    toast(`One principle now; ${answer.data.notes} ${answer.data.notes === 1 ? 'note' : 'notes'} moved with it.`);
  };
  if (merging)
    return (
      <div className="flex items-center gap-3">
        <label className="flex items-center gap-2">
          Make it part of
          <Finder
            autoFocus
            label="Merge into"
            value={into}
            placeholder="choose …"
            options={namedOptions(principles.filter(({ id }) => id !== entry.id))}
            onChange={setInto}
            className={`${smallSelect} max-w-80`}
          />
        </label>
        <span className="text-small text-reed">Its notes move there for good, in every request.</span>
        <Button look="plain" disabled={into === ''} onClick={() => void mergeInto(into)}>
          Merge
        </Button>
        <Button look="quiet" onClick={() => setMerging(false)}>
          Not now
        </Button>
      </div>
    );
  return (
    <div className="flex gap-1">
      <Button look="plain" onClick={onEdit}>
        Edit
      </Button>
      {isPrinciple && (
        <Button look="quiet" onClick={() => setMerging(true)}>
          Merge into another
        </Button>
      )}
      <Button look="quiet" onClick={() => void remove()}>
        Take it out
      </Button>
    </div>
  );
}
