import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const practiceApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getPractice: queryOf(build, contract.getPractice),
    setHours: mutationOf(build, contract.setHours),
    pauseWork: mutationOf(build, contract.pauseWork),
    endPause: mutationOf(build, contract.endPause),
    addPlan: mutationOf(build, contract.addPlan),
    changePlan: mutationOf(build, contract.changePlan),
    retirePlan: mutationOf(build, contract.retirePlan),
    giveMembership: mutationOf(build, contract.giveMembership),
    endMembership: mutationOf(build, contract.endMembership),
    pauseMembership: mutationOf(build, contract.pauseMembership),
    getPromises: queryOf(build, contract.getPromises),
    getWorkload: queryOf(build, contract.getWorkload),
  }),
});

export const {
  useGetPracticeQuery,
  useSetHoursMutation,
  usePauseWorkMutation,
  useEndPauseMutation,
  useAddPlanMutation,
  useChangePlanMutation,
  useRetirePlanMutation,
  useGiveMembershipMutation,
  useEndMembershipMutation,
  usePauseMembershipMutation,
  useGetPromisesQuery,
  useGetWorkloadQuery,
} = practiceApi;
