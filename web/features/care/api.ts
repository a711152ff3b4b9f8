import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const careApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getLimits: queryOf(build, contract.getLimits),
    keepLimits: mutationOf(build, contract.keepLimits),
  }),
});

export const { useGetLimitsQuery, useKeepLimitsMutation } = careApi;
