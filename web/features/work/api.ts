import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export type WorkAnswer = ResponseOf<typeof contract.getClientWork>;
export type WorkProposals = ResponseOf<typeof contract.proposeWork>['proposals'];

const workApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getClientWork: queryOf(build, contract.getClientWork),
    proposeWork: queryOf(build, contract.proposeWork),
    giveWork: mutationOf(build, contract.giveWork),
    endWork: mutationOf(build, contract.endWork),
    logWork: mutationOf(build, contract.logWork),
    removeDoneWork: mutationOf(build, contract.removeDoneWork),
    sendRound: mutationOf(build, contract.sendRound),
    setTraining: mutationOf(build, contract.setTraining),
    settlePain: mutationOf(build, contract.settlePain),
    seeWork: mutationOf(build, contract.seeWork),
    getWorkWeek: queryOf(build, contract.getWorkWeek),
    getWorkToSee: queryOf(build, contract.getWorkToSee),
  }),
});

export const {
  useGetClientWorkQuery,
  useProposeWorkQuery,
  useGiveWorkMutation,
  useEndWorkMutation,
  useRemoveDoneWorkMutation,
  useSendRoundMutation,
  useSetTrainingMutation,
  useSettlePainMutation,
  useSeeWorkMutation,
  useGetWorkWeekQuery,
  useGetWorkToSeeQuery,
} = workApi;
export const { logWork } = workApi.endpoints;
