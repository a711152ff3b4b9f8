import { applyDeskChange, emptyDesk, inverseDeskChange, sameJson, type DeskChange, type DeskDocument } from '@lean-mentor/core/desk';
import { createSlice, original, type Draft, type PayloadAction } from '@reduxjs/toolkit';
import type { Saving } from '../../shared/keeping/index.ts';
import type { EditGroup, History, SetAside } from './deskStore.ts';
import { newId } from './newId.ts';

export interface DeskState extends History {
  requestId: string | null;
  /** What the server had at `sequence`, and the same with the edits of the outbox on it. */
  base: DeskDocument;
  document: DeskDocument;
  sequence: number;
  /** Edits the server has not confirmed yet, oldest first. */
  outbox: DeskChange[];
  saving: Saving;
  /** Edits of this desk that the server will never take. */
  aside: SetAside[];
}

const initialState: DeskState = {
  requestId: null,
  base: emptyDesk(),
  document: emptyDesk(),
  sequence: 0,
  outbox: [],
  done: [],
  undone: [],
  saving: 'saved',
  aside: [],
};

/** Drafts of a document with hundreds of notes cost more than the edit: reducers work on the plain state. */
const plainOf = (state: Draft<DeskState>): DeskState => original(state) as DeskState;

const take = (state: DeskState, changes: readonly DeskChange[]): DeskState => ({
  ...state,
  document: changes.reduce(applyDeskChange, state.document),
  outbox: [...state.outbox, ...changes],
  saving: 'writing',
});

/** The same changes with new ids: done again, or taken back. */
const again = (changes: readonly DeskChange[]): DeskChange[] => changes.map((change) => ({ ...change, changeId: newId() }));
const inverse = (changes: readonly DeskChange[]): DeskChange[] =>
  [...changes].reverse().map((change) => inverseDeskChange(change, newId()));

export interface Answer {
  saved: string[];
  refused: { changeId: string; why: string }[];
  sequence: number;
  changes: DeskChange[];
}

/** What lies on the desk, as it is being edited. */
export const deskSlice = createSlice({
  name: 'desk',
  initialState,
  reducers: {
    deskOpened: (
      _,
      {
        payload,
      }: PayloadAction<{
        requestId: string;
        document: DeskDocument;
        sequence: number;
        outbox: DeskChange[];
        history: History;
        aside?: SetAside[];
      }>,
    ): DeskState => ({
      ...payload.history,
      requestId: payload.requestId,
      base: payload.document,
      document: payload.outbox.reduce(applyDeskChange, payload.document),
      sequence: payload.sequence,
      outbox: payload.outbox,
      saving: payload.outbox.length > 0 ? 'kept' : 'saved',
      aside: payload.aside ?? [],
    }),
    /** An edit; `step` null: it cannot be taken back (a look, for one). */
    deskEdited: (state, { payload: { changes, step } }: PayloadAction<{ changes: DeskChange[]; step: string | null }>) => {
      const next = take(plainOf(state), changes);
      return step === null ? next : { ...next, done: [...next.done, { id: step, changes }], undone: [] };
    },
    deskUndone: {
      prepare: (done: readonly EditGroup[]) => ({ payload: inverse(done.at(-1)?.changes ?? []) }),
      reducer: (state, { payload }: PayloadAction<DeskChange[]>) => {
        const group = plainOf(state).done.at(-1);
        if (!group) return;
        const next = take(plainOf(state), payload);
        return { ...next, done: next.done.slice(0, -1), undone: [...next.undone, group] };
      },
    },
    deskRedone: {
      prepare: (undone: readonly EditGroup[]) => ({ payload: again(undone.at(-1)?.changes ?? []) }),
      reducer: (state, { payload }: PayloadAction<DeskChange[]>) => {
        const group = plainOf(state).undone.at(-1);
        if (!group) return;
        const next = take(plainOf(state), payload);
        return { ...next, undone: next.undone.slice(0, -1), done: [...next.done, group] };
      },
    },
    /** The server took edits, and told what came of them and of those of others. */
    serverAnswered: (state, { payload }: PayloadAction<Answer>): DeskState => {
      const now = plainOf(state);
      const gone = new Set([...payload.saved, ...payload.changes.map((change) => change.changeId)]);
      const outbox = now.outbox.filter((change) => !gone.has(change.changeId));
      // An answer that was overtaken by a later one has nothing new to say.
      const news = payload.sequence > now.sequence ? payload.changes : [];
      const base = news.reduce(applyDeskChange, now.base);
      const asExpected = now.outbox.length - outbox.length === news.length && news.every((change, i) => sameJson(change, now.outbox[i]));
      return {
        ...now,
        base,
        sequence: Math.max(now.sequence, payload.sequence),
        outbox,
        document: asExpected ? now.document : outbox.reduce(applyDeskChange, base),
        saving: outbox.length === 0 ? 'saved' : now.saving,
      };
    },
    /** The server will never take these: what they did is taken back here as well, and they are shown. */
    editsRefused: (state, { payload }: PayloadAction<SetAside[]>): DeskState => {
      const now = plainOf(state);
      const refused = new Set(payload.map(({ changeId }) => changeId));
      const outbox = now.outbox.filter((change) => !refused.has(change.changeId));
      return {
        ...now,
        aside: [...now.aside, ...payload],
        outbox,
        document: outbox.reduce(applyDeskChange, now.base),
        saving: outbox.length === 0 ? 'saved' : now.saving,
      };
    },
    asideLetGo: (state, { payload }: PayloadAction<string>) => {
      state.aside = state.aside.filter(({ changeId }) => changeId !== payload);
    },
    savingChanged: (state, { payload }: PayloadAction<Saving>) => {
      state.saving = state.outbox.length === 0 ? 'saved' : payload;
    },
  },
});

export const { deskOpened, deskEdited, deskUndone, deskRedone, serverAnswered, editsRefused, asideLetGo, savingChanged } =
  deskSlice.actions;
