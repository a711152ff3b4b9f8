import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** An upload that this browser is busy with. `waiting`: the network is away, it goes on by itself. */
export interface UploadNow {
  state: 'sending' | 'paused' | 'waiting' | 'done' | 'failed';
  sentBytes: number;
  totalBytes: number;
  /** Over the last few seconds; 0 while unknown. */
  bytesPerSecond: number;
  message: string | null;
}

export const uploadsSlice = createSlice({
  name: 'uploads',
  initialState: {} as Record<string, UploadNow>,
  reducers: {
    uploadChanged: (state, { payload }: PayloadAction<{ footageId: string } & Partial<UploadNow>>) => {
      const { footageId, ...fields } = payload;
      const before = state[footageId] ?? { state: 'sending', sentBytes: 0, totalBytes: 0, bytesPerSecond: 0, message: null };
      state[footageId] = { ...before, ...fields };
    },
  },
});

export const { uploadChanged } = uploadsSlice.actions;
