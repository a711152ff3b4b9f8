import * as contract from '@lean-mentor/contract';
import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const requestsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    createRequest: build.mutation<ResponseOf<typeof contract.createRequest>, BodyOf<typeof contract.createRequest>>({
      query: (body) => call(contract.createRequest, { body }),
      invalidatesTags: ['Request'],
    }),
  }),
});

export const { useCreateRequestMutation } = requestsApi;
