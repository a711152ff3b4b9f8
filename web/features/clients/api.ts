import * as contract from '@lean-mentor/contract';
import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

export type Progress = ResponseOf<typeof contract.getClientProgress>;

const clientsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listClients: build.query<ResponseOf<typeof contract.listClients>, void>({
      query: () => call(contract.listClients),
      providesTags: ['Request'],
    }),
    getClientHistory: build.query<ResponseOf<typeof contract.getClientHistory>, string>({
      query: (clientId) => call(contract.getClientHistory, { params: { clientId } }),
      providesTags: ['Request', 'Critique'],
    }),
    getClientProgress: build.query<Progress, string>({
      query: (clientId) => call(contract.getClientProgress, { params: { clientId } }),
      providesTags: ['Critique', 'Book'],
    }),
    closeThread: build.mutation<{ done: true }, { clientId: string; principleId: string; closed: boolean }>({
      query: ({ closed, ...params }) => call(contract.closeThread, { params, body: { closed } }),
      invalidatesTags: ['Critique'],
    }),
    searchWords: build.query<ResponseOf<typeof contract.searchWords>, BodyOf<typeof contract.searchWords>>({
      query: (body) => call(contract.searchWords, { body }),
      keepUnusedDataFor: 30,
    }),
  }),
});

export const { useListClientsQuery, useGetClientHistoryQuery, useGetClientProgressQuery, useCloseThreadMutation, useSearchWordsQuery } =
  clientsApi;
