import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const clientsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listClients: queryOf(build, contract.listClients),
    changeClient: mutationOf(build, contract.changeClient),
    searchWords: queryOf(build, contract.searchWords, { keepUnusedDataFor: 30 }),
  }),
});

export const { useListClientsQuery, useChangeClientMutation, useSearchWordsQuery } = clientsApi;
