import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const rightsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getRights: queryOf(build, contract.getRights, { keepUnusedDataFor: 0 }),
    listTrail: queryOf(build, contract.listTrail, { keepUnusedDataFor: 0 }),
    askToBeForgotten: mutationOf(build, contract.askToBeForgotten),
    takeBackForgetting: mutationOf(build, contract.takeBackForgetting),
    forgetClient: mutationOf(build, contract.forgetClient),
    getRetention: queryOf(build, contract.getRetention),
    previewRetention: mutationOf(build, contract.previewRetention),
    setRetention: mutationOf(build, contract.setRetention),
  }),
});

export const {
  useGetRightsQuery,
  useListTrailQuery,
  useAskToBeForgottenMutation,
  useTakeBackForgettingMutation,
  useForgetClientMutation,
  useGetRetentionQuery,
  usePreviewRetentionMutation,
  useSetRetentionMutation,
} = rightsApi;
