import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const queueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getToday: queryOf(build, contract.getToday),
    setPolicy: mutationOf(build, contract.setPolicy),
    placeRequest: mutationOf(build, contract.placeRequest),
    listDoubts: queryOf(build, contract.listDoubts),
    listHandOvers: queryOf(build, contract.listHandOvers),
    giveOver: mutationOf(build, contract.giveOver),
    actOnHandOver: mutationOf(build, contract.actOnHandOver),
  }),
});

export const {
  useGetTodayQuery,
  useSetPolicyMutation,
  usePlaceRequestMutation,
  useListDoubtsQuery,
  useListHandOversQuery,
  useGiveOverMutation,
  useActOnHandOverMutation,
} = queueApi;
