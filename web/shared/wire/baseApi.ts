import { getSession, subjects } from '@lean-mentor/contract';
import { createApi } from '@reduxjs/toolkit/query/react';
import { wire } from './wire.ts';

/** The one API; each room adds its operations in its `api.ts`. */
export const baseApi = createApi({
  baseQuery: wire(getSession),
  tagTypes: subjects,
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
