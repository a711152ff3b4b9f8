import { configureStore } from '@reduxjs/toolkit';
import { deskSlice, makeDeskSaving } from '../features/desk/index.ts';
import { footageProgressSlice } from '../features/footage/index.ts';
import { uploadsSlice } from '../features/requests/index.ts';
import { baseApi } from '../shared/wire/index.ts';

export const makeStore = () =>
  configureStore({
    reducer: {
      [baseApi.reducerPath]: baseApi.reducer,
      [footageProgressSlice.name]: footageProgressSlice.reducer,
      [uploadsSlice.name]: uploadsSlice.reducer,
      [deskSlice.name]: deskSlice.reducer,
    },
    middleware: (standard) => standard().prepend(makeDeskSaving()).concat(baseApi.middleware),
  });

export type Store = ReturnType<typeof makeStore>;
