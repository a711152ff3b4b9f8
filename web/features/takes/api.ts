import * as contract from '@lean-mentor/contract';
import { baseApi, queryOf } from '../../shared/wire/index.ts';

const takesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listTakes: queryOf(build, contract.listTakes),
    getTakeLog: queryOf(build, contract.getTakeLog),
  }),
});

export const { useGetTakeLogQuery, useListTakesQuery } = takesApi;
