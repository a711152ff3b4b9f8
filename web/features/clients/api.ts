import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

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
  }),
});

export const { useListClientsQuery, useGetClientHistoryQuery } = clientsApi;
