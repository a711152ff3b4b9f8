import * as contract from '@lean-mentor/contract';
import { baseApi, queryOf } from '../../shared/wire/index.ts';

const takesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listTakes: queryOf(build, contract.listTakes),
    getRunningOrder: queryOf(build, contract.getRunningOrder),
    getTakeLog: queryOf(build, contract.getTakeLog),
  }),
});

export const { useGetRunningOrderQuery, useGetTakeLogQuery, useListTakesQuery } = takesApi;
