import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

/** Everything the desk is opened with. */
export type DeskSubject = ResponseOf<typeof contract.openDesk>;

export const deskApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    openDesk: queryOf(build, contract.openDesk),
    getNameUses: queryOf(build, contract.getNameUses, { keepUnusedDataFor: 3600 }),
    saveDeskChanges: mutationOf(build, contract.saveDeskChanges),
    getClientNotes: queryOf(build, contract.getClientNotes, { keepUnusedDataFor: 30 }),
  }),
});

export const { useGetClientNotesQuery, useGetNameUsesQuery, useLazyOpenDeskQuery, useOpenDeskQuery } = deskApi;
