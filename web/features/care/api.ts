import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const careApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getLimits: queryOf(build, contract.getLimits),
    keepLimits: mutationOf(build, contract.keepLimits),
    keepRequestLimits: mutationOf(build, contract.keepRequestLimits),
  }),
});

export const { useGetLimitsQuery, useKeepLimitsMutation, useKeepRequestLimitsMutation } = careApi;
