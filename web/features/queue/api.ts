import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const queueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getToday: queryOf(build, contract.getToday),
    setPolicy: mutationOf(build, contract.setPolicy),
    placeRequest: mutationOf(build, contract.placeRequest),
    getPromises: queryOf(build, contract.getPromises),
    getPromise: queryOf(build, contract.getPromise, { keepUnusedDataFor: 0 }),
    pauseWork: mutationOf(build, contract.pauseWork),
    endPause: mutationOf(build, contract.endPause),
  }),
});

export const {
  useGetTodayQuery,
  useSetPolicyMutation,
  usePlaceRequestMutation,
  useGetPromisesQuery,
  useGetPromiseQuery,
  usePauseWorkMutation,
  useEndPauseMutation,
} = queueApi;
