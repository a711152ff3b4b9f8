import * as contract from '@lean-mentor/contract';
import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

/** Everything the desk is opened with. */
export type DeskSubject = ResponseOf<typeof contract.openDesk>;

export const deskApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    openDesk: build.query<DeskSubject, string>({
      query: (requestId) => call(contract.openDesk, { params: { requestId } }),
    }),
    saveDeskChanges: build.mutation<
      ResponseOf<typeof contract.saveDeskChanges>,
      { requestId: string } & BodyOf<typeof contract.saveDeskChanges>
    >({
      query: ({ requestId, ...body }) => call(contract.saveDeskChanges, { params: { requestId }, body }),
    }),
    getClientNotes: build.query<ResponseOf<typeof contract.getClientNotes>, string>({
      query: (requestId) => call(contract.getClientNotes, { params: { requestId } }),
      keepUnusedDataFor: 30,
    }),
  }),
});

export const { useGetClientNotesQuery, useOpenDeskQuery } = deskApi;
