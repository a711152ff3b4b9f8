export { deskApi, useGetClientNotesQuery, useOpenDeskQuery } from './api.ts';
export { makeDeskSaving } from './deskSaving.ts';
export { deskSlice } from './deskSlice.ts';
export { useLeftovers } from './useLeftovers.ts';
