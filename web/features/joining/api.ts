import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const joiningApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listInvitations: queryOf(build, contract.listInvitations),
    listPeople: queryOf(build, contract.listPeople),
    changePerson: mutationOf(build, contract.changePerson),
    pausePerson: mutationOf(build, contract.pausePerson),
    removePerson: mutationOf(build, contract.removePerson),
    invite: mutationOf(build, contract.invite),
    inviteAgain: mutationOf(build, contract.inviteAgain),
    takeBackInvitation: mutationOf(build, contract.takeBackInvitation),
    readInvitation: queryOf(build, contract.readInvitation, { keepUnusedDataFor: 0 }),
    acceptInvitation: mutationOf(build, contract.acceptInvitation),
    askNewPassword: mutationOf(build, contract.askNewPassword),
    setNewPassword: mutationOf(build, contract.setNewPassword),
    changePassword: mutationOf(build, contract.changePassword),
    listOwnSessions: queryOf(build, contract.listOwnSessions),
    endOwnSession: mutationOf(build, contract.endOwnSession),
    getSecondFactor: queryOf(build, contract.getSecondFactor),
    beginSecondFactor: mutationOf(build, contract.beginSecondFactor),
    confirmSecondFactor: mutationOf(build, contract.confirmSecondFactor),
    endSecondFactor: mutationOf(build, contract.endSecondFactor),
  }),
});

export const {
  useListInvitationsQuery,
  useListPeopleQuery,
  useChangePersonMutation,
  usePausePersonMutation,
  useRemovePersonMutation,
  useInviteMutation,
  useInviteAgainMutation,
  useTakeBackInvitationMutation,
  useReadInvitationQuery,
  useAcceptInvitationMutation,
  useAskNewPasswordMutation,
  useSetNewPasswordMutation,
  useChangePasswordMutation,
  useListOwnSessionsQuery,
  useEndOwnSessionMutation,
  useGetSecondFactorQuery,
  useBeginSecondFactorMutation,
  useConfirmSecondFactorMutation,
  useEndSecondFactorMutation,
} = joiningApi;
