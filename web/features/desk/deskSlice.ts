import { applyDeskChange, emptyDesk, inverseDeskChange, type DeskChange, type DeskDocument } from '@lean-mentor/core/desk';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { newId } from './newId.ts';

export interface DeskState {
  requestId: string | null;
  document: DeskDocument;
  /** Edits the server has not confirmed yet, oldest first. */
  outbox: DeskChange[];
  /** Edits that can be taken back, and those taken back, newest last; what was done at once is undone at once. */
  done: DeskChange[][];
  undone: DeskChange[][];
  /** kept: the server cannot be reached; edits are kept in this browser until it can. */
  saving: 'saved' | 'saving' | 'kept';
}

const initialState: DeskState = { requestId: null, document: emptyDesk(), outbox: [], done: [], undone: [], saving: 'saved' };

function take(state: DeskState, changes: DeskChange[]): void {
  state.document = changes.reduce(applyDeskChange, state.document);
  state.outbox.push(...changes);
}

const inverse = (changes: DeskChange[]): DeskChange[] => [...changes].reverse().map((change) => inverseDeskChange(change, newId()));

/** What lies on the desk, as it is being edited. */
export const deskSlice = createSlice({
  name: 'desk',
  initialState,
  reducers: {
    /** `outbox` holds edits of an earlier visit that never reached the server. */
    deskOpened: (_, { payload }: PayloadAction<{ requestId: string; document: DeskDocument; outbox: DeskChange[] }>) => ({
      ...initialState,
      requestId: payload.requestId,
      document: payload.outbox.reduce(applyDeskChange, payload.document),
      outbox: payload.outbox,
      saving: payload.outbox.length > 0 ? 'saving' : 'saved',
    }),
    deskEdited: (state, { payload }: PayloadAction<DeskChange[]>) => {
      take(state, payload);
      state.done.push(payload);
      state.undone = [];
    },
    deskUndone: {
      prepare: (done: DeskChange[][]) => ({ payload: inverse(done[done.length - 1] ?? []) }),
      reducer: (state, { payload }: PayloadAction<DeskChange[]>) => {
        const group = state.done.pop();
        if (!group) return;
        take(state, payload);
        state.undone.push(group);
      },
    },
    deskRedone: {
      prepare: (undone: DeskChange[][]) => ({
        payload: (undone[undone.length - 1] ?? []).map((change) => ({ ...change, changeId: newId() })),
      }),
      reducer: (state, { payload }: PayloadAction<DeskChange[]>) => {
        if (!state.undone.pop()) return;
        take(state, payload);
        state.done.push(payload);
      },
    },
    /** Changes of these ids need no more sending: the server has them, or will never take them. */
    outboxCleared: (state, { payload }: PayloadAction<string[]>) => {
      const gone = new Set(payload);
      state.outbox = state.outbox.filter((change) => !gone.has(change.changeId));
    },
    savingChanged: (state, { payload }: PayloadAction<DeskState['saving']>) => {
      state.saving = payload;
    },
  },
});

export const { deskOpened, deskEdited, deskUndone, deskRedone, outboxCleared, savingChanged } = deskSlice.actions;
