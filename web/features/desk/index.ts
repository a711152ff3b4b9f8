export { deskApi, useGetClientNotesQuery, useOpenDeskQuery } from './api.ts';
export { makeDeskSaving } from './deskSaving.ts';
export { deskSlice } from './deskSlice.ts';
export { useDeskActions, useDeskPart } from './useDesk.ts';
export { useLeftovers } from './useLeftovers.ts';
export { useOpenedDesk } from './useOpenedDesk.ts';
