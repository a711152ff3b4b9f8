import type { FootageProgress } from '@lean-mentor/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The newest word about each footage, as the server's events bring it. */
export const footageProgressSlice = createSlice({
  name: 'footageProgress',
  initialState: {} as Record<string, FootageProgress>,
  reducers: {
    progressHeard: (state, { payload }: PayloadAction<FootageProgress>) => {
      state[payload.id] = payload;
    },
  },
});

export const { progressHeard } = footageProgressSlice.actions;
