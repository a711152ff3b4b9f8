import * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const accessApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getSession: build.query<ResponseOf<typeof contract.getSession>, void>({
      query: () => call(contract.getSession),
      providesTags: ['Session'],
    }),
    signIn: build.mutation<ResponseOf<typeof contract.signIn>, BodyOf<typeof contract.signIn>>({
      query: (body) => call(contract.signIn, { body }),
      invalidatesTags: ['Session'],
    }),
    signOut: build.mutation<ResponseOf<typeof contract.signOut>, void>({
      query: () => call(contract.signOut),
      // Nothing of the one who leaves may stay on the screen of the one who comes.
      onQueryStarted: (_, { dispatch, queryFulfilled }) =>
        queryFulfilled.then(() => void dispatch(baseApi.util.resetApiState())).catch(() => undefined),
    }),
  }),
});

export const { useGetSessionQuery, useSignInMutation, useSignOutMutation } = accessApi;

/** The account that is signed in; null while unknown or nobody is. */
export const useAccount = (): Account | null => useGetSessionQuery().data?.account ?? null;
