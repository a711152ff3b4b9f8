import {
  patchDesk,
  removeFromDesk,
  type DeskChange,
  type DeskDocument,
  type DeskEntity,
  type DeskItem,
  type Drawing,
  type Mark,
  type Note,
  type Principle,
} from '@lean-mentor/core/desk';
import { useMemo } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { deskEdited, deskRedone, deskUndone, type DeskState } from './deskSlice.ts';
import { newId } from './newId.ts';

interface WithDesk {
  desk: DeskState;
}

export const useDeskState = (): DeskState => useSelector((state: WithDesk) => state.desk);

/** A part of the desk's state; what looks at it is redrawn only when that part changes. */
export const useDeskPart = <T>(part: (desk: DeskState) => T): T => useSelector((state: WithDesk) => part(state.desk));

const created = (entity: DeskEntity, id: string, after: object): DeskChange =>
  ({ changeId: newId(), entity, id, before: null, after }) as DeskChange;

/** Changes to be made together; null where the thing is not there. */
export interface Make {
  created: (entity: DeskEntity, id: string, after: object) => DeskChange;
  patched: <E extends DeskEntity>(entity: E, id: string, fields: Partial<DeskItem<E>>) => DeskChange | null;
  removed: (entity: DeskEntity, id: string) => DeskChange | null;
}

/** What can be done on the desk. Each call is one step for undo. */
export function useDeskActions() {
  const dispatch = useDispatch();
  const store = useStore<WithDesk>();
  return useMemo(() => {
    const document = () => store.getState().desk.document;
    const editAs = (step: string | null, changes: (DeskChange | null)[]): void => {
      const present = changes.filter((change) => change !== null);
      if (present.length > 0) dispatch(deskEdited({ changes: present, step }));
    };
    const edit = (...changes: (DeskChange | null)[]): void => editAs(newId(), changes);
    const patch = <E extends DeskEntity>(entity: E, id: string, fields: Partial<DeskItem<E>>): DeskChange | null =>
      patchDesk(document(), entity, id, fields, newId());
    const remove = (entity: DeskEntity, id: string): DeskChange | null => removeFromDesk(document(), entity, id, newId());
    return {
      dropMark: (mark: Omit<Mark, 'id' | 'state'>): void => {
        const id = newId();
        edit(created('mark', id, { ...mark, id, state: 'open' } satisfies Mark));
      },
      letGoOfMark: (id: string): void => edit(patch('mark', id, { state: 'let-go' })),
      /** Changes a note; one that is not written down yet is, and the mark it grew from is settled with it. */
      writeNote: (blank: Note, fields: Partial<Note>): void => {
        if (document().notes[blank.id]) return edit(patch('note', blank.id, fields));
        const { markId } = blank;
        edit(created('note', blank.id, { ...blank, ...fields }), markId ? patch('mark', markId, { state: 'noted' }) : null);
      },
      /** Takes a note away; a mark it grew from is open again, and what it caused no longer names it. */
      removeNote: (id: string): void => {
        const { notes } = document();
        const markId = notes[id]?.markId;
        const effects = Object.values(notes).filter((note) => note.causes.includes(id));
        edit(
          remove('note', id),
          markId ? patch('mark', markId, { state: 'open' }) : null,
          ...effects.map((note) => patch('note', note.id, { causes: note.causes.filter((cause) => cause !== id) })),
        );
      },
      /** Names a principle on a note; one that is not in the book yet is put into it. */
      namePrinciple: (noteId: string, principle: Principle): void =>
        edit(
          document().principles[principle.id] ? null : created('principle', principle.id, principle),
          patch('note', noteId, { principleId: principle.id }),
        ),
      /** Puts a new thing on the desk and answers its id. */
      add: <E extends DeskEntity>(entity: E, thing: Omit<DeskItem<E>, 'id'> & { id?: string }): string => {
        const id = thing.id ?? newId();
        edit(created(entity, id, { ...thing, id }));
        return id;
      },
      /** Several changes that are no step to be taken back: what they make is what was there already. */
      prepare: (changes: (document: DeskDocument, make: Make) => (DeskChange | null)[]): void =>
        editAs(null, changes(document(), { created, patched: patch, removed: remove })),
      /** Several changes as one step. */
      together: (changes: (document: DeskDocument, make: Make) => (DeskChange | null)[]): void =>
        edit(...changes(document(), { created, patched: patch, removed: remove })),
      change: <E extends DeskEntity>(entity: E, id: string, fields: Partial<DeskItem<E>>): void => edit(patch(entity, id, fields)),
      remove: (entity: DeskEntity, id: string): void => edit(remove(entity, id)),
      addDrawing: (drawing: Omit<Drawing, 'id'>): string => {
        const id = newId();
        edit(created('drawing', id, { id, ...drawing }));
        return id;
      },
      /** Settles a conflict: with what stands, or with what was set aside. */
      settle: (conflictId: string, take: 'stands' | 'aside'): void => {
        const conflict = document().conflicts[conflictId];
        if (!conflict) return;
        const { of, thingId, field, aside } = conflict;
        const other = take === 'stands' ? null : field === null ? remove(of, thingId) : patch(of, thingId, { [field]: aside });
        edit(other, remove('conflict', conflictId));
      },
      /** Writes down what was watched. It is no step to be taken back. */
      noteLook: (look: Omit<DeskItem<'look'>, 'id'>): void => {
        const id = newId();
        editAs(null, [created('look', id, { ...look, id })]);
      },
      undo: (): void => void dispatch(deskUndone(store.getState().desk.done)),
      redo: (): void => void dispatch(deskRedone(store.getState().desk.undone)),
    };
  }, [dispatch, store]);
}

export type DeskActions = ReturnType<typeof useDeskActions>;
