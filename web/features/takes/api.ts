import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const takesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listTakes: queryOf(build, contract.listTakes),
    getTakeLog: queryOf(build, contract.getTakeLog),
    finishTake: mutationOf(build, contract.finishTake),
  }),
});

export const { useFinishTakeMutation, useGetTakeLogQuery, useListTakesQuery } = takesApi;
