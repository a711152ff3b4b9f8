import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export type Progress = ResponseOf<typeof contract.getClientProgress>;

const clientsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listClients: queryOf(build, contract.listClients),
    getClientHistory: queryOf(build, contract.getClientHistory),
    getClientProgress: queryOf(build, contract.getClientProgress),
    changeClient: mutationOf(build, contract.changeClient),
    closeThread: mutationOf(build, contract.closeThread),
    searchWords: queryOf(build, contract.searchWords, { keepUnusedDataFor: 30 }),
  }),
});

export const {
  useListClientsQuery,
  useGetClientHistoryQuery,
  useGetClientProgressQuery,
  useChangeClientMutation,
  useCloseThreadMutation,
  useSearchWordsQuery,
} = clientsApi;
