import * as contract from '@lean-mentor/contract';
import type { Account } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const accessApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getSession: queryOf(build, contract.getSession),
    signIn: mutationOf(build, contract.signIn),
    agreeAsGuardian: mutationOf(build, contract.agreeAsGuardian),
    signOut: mutationOf(build, contract.signOut, {
      // Nothing of the one who leaves may stay on the screen of the one who comes.
      onQueryStarted: (_, { dispatch, queryFulfilled }) =>
        queryFulfilled.then(() => void dispatch(baseApi.util.resetApiState())).catch(() => undefined),
    }),
  }),
});

export const { useGetSessionQuery, useSignInMutation, useSignOutMutation, useAgreeAsGuardianMutation } = accessApi;

/** The account that is signed in; null while unknown or nobody is. */
export const useAccount = (): Account | null => useGetSessionQuery().data?.account ?? null;
