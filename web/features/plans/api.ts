import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const plansApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    addExtra: mutationOf(build, contract.addExtra),
    listOwnMemberships: queryOf(build, contract.listOwnMemberships),
  }),
});

export const { useAddExtraMutation, useListOwnMembershipsQuery } = plansApi;
