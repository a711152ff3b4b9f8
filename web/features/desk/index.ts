export { useOpenDeskQuery } from './api.ts';
export { deskSaving } from './deskSaving.ts';
export { deskSlice } from './deskSlice.ts';
