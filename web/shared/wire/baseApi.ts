import { getSession } from '@lean-mentor/contract';
import { createApi } from '@reduxjs/toolkit/query/react';
import { wire } from './wire.ts';

/** The one API; each room adds its operations in its `api.ts`. */
export const baseApi = createApi({
  baseQuery: wire(getSession),
  tagTypes: [
    'Session',
    'Request',
    'Critique',
    'Draft',
    'Letter',
    'Clip',
    'RuleSheet',
    'PositionWorth',
    'Book',
    'Ladder',
    'Question',
    'Link',
  ],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
