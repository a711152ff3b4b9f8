import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export type Progress = ResponseOf<typeof contract.getClientProgress>;

const followupApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getClientHistory: queryOf(build, contract.getClientHistory),
    getClientProgress: queryOf(build, contract.getClientProgress),
    getOwnEye: queryOf(build, contract.getOwnEye),
    getWorkEffects: queryOf(build, contract.getWorkEffects),
    closeThread: mutationOf(build, contract.closeThread),
  }),
});

export const { useGetClientHistoryQuery, useGetClientProgressQuery, useGetOwnEyeQuery, useGetWorkEffectsQuery, useCloseThreadMutation } =
  followupApi;
