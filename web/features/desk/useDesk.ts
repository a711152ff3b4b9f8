import { patchDesk, removeFromDesk, type DeskChange, type Drawing, type Mark, type Note } from '@lean-mentor/core/desk';
import { useMemo } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { deskEdited, deskRedone, deskUndone, type DeskState } from './deskSlice.ts';
import { newId } from './newId.ts';

interface WithDesk {
  desk: DeskState;
}

export const useDeskState = (): DeskState => useSelector((state: WithDesk) => state.desk);

const created = (entity: DeskChange['entity'], id: string, after: object): DeskChange =>
  ({ changeId: newId(), entity, id, before: null, after }) as DeskChange;
const present = (changes: (DeskChange | null)[]): DeskChange[] => changes.filter((change) => change !== null);

/** What can be done on the desk. Each call is one step for undo. */
export function useDeskActions() {
  const dispatch = useDispatch();
  const store = useStore<WithDesk>();
  return useMemo(() => {
    const edit = (...changes: (DeskChange | null)[]): void => void (present(changes).length > 0 && dispatch(deskEdited(present(changes))));
    const document = () => store.getState().desk.document;
    return {
      dropMark: (footageId: string, atFrame: number): void => {
        const id = newId();
        edit(created('mark', id, { id, footageId, atFrame, state: 'open' } satisfies Mark));
      },
      letGoOfMark: (id: string): void => edit(patchDesk(document(), 'mark', id, { state: 'let-go' }, newId())),
      /** Writes a note down; the mark it grew from is settled with it. */
      addNote: (note: Note): void =>
        edit(created('note', note.id, note), note.markId ? patchDesk(document(), 'mark', note.markId, { state: 'noted' }, newId()) : null),
      changeNote: (id: string, fields: Partial<Note>): void => edit(patchDesk(document(), 'note', id, fields, newId())),
      /** Takes a note away; a mark it grew from is open again. */
      removeNote: (id: string): void => {
        const markId = document().notes[id]?.markId;
        edit(
          removeFromDesk(document(), 'note', id, newId()),
          markId ? patchDesk(document(), 'mark', markId, { state: 'open' }, newId()) : null,
        );
      },
      addDrawing: (drawing: Omit<Drawing, 'id'>): void => {
        const id = newId();
        edit(created('drawing', id, { id, ...drawing }));
      },
      removeDrawing: (id: string): void => edit(removeFromDesk(document(), 'drawing', id, newId())),
      undo: (): void => void dispatch(deskUndone(store.getState().desk.done)),
      redo: (): void => void dispatch(deskRedone(store.getState().desk.undone)),
    };
  }, [dispatch, store]);
}

export type DeskActions = ReturnType<typeof useDeskActions>;
