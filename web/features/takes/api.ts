import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export const takesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listTakes: queryOf(build, contract.listTakes),
    getRunningOrder: queryOf(build, contract.getRunningOrder),
    askTakeWords: mutationOf(build, contract.askTakeWords),
    getTakeWords: queryOf(build, contract.getTakeWords, { keepUnusedDataFor: 0 }),
    getTakeLog: queryOf(build, contract.getTakeLog),
  }),
});

export const { useAskTakeWordsMutation, useGetTakeWordsQuery, useGetRunningOrderQuery, useGetTakeLogQuery, useListTakesQuery } = takesApi;
