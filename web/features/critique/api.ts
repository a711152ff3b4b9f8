import * as contract from '@lean-mentor/contract';
import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const critiqueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getCritiqueDraft: build.query<ResponseOf<typeof contract.getCritiqueDraft>, string>({
      query: (requestId) => call(contract.getCritiqueDraft, { params: { requestId } }),
      providesTags: ['Draft'],
    }),
    saveCritiqueDraft: build.mutation<
      ResponseOf<typeof contract.saveCritiqueDraft>,
      { requestId: string } & BodyOf<typeof contract.saveCritiqueDraft>
    >({
      query: ({ requestId, ...body }) => call(contract.saveCritiqueDraft, { params: { requestId }, body }),
    }),
    sendCritique: build.mutation<ResponseOf<typeof contract.sendCritique>, { requestId: string } & BodyOf<typeof contract.sendCritique>>({
      query: ({ requestId, ...body }) => call(contract.sendCritique, { params: { requestId }, body }),
      invalidatesTags: ['Request', 'Critique', 'Draft', 'Letter'],
    }),
    getCritique: build.query<ResponseOf<typeof contract.getCritique>, string>({
      query: (critiqueId) => call(contract.getCritique, { params: { critiqueId } }),
      providesTags: ['Critique'],
    }),
    markCritiqueRead: build.mutation<ResponseOf<typeof contract.markCritiqueRead>, string>({
      query: (critiqueId) => call(contract.markCritiqueRead, { params: { critiqueId } }),
      invalidatesTags: ['Critique'],
    }),
  }),
});

export const {
  useGetCritiqueDraftQuery,
  useSaveCritiqueDraftMutation,
  useSendCritiqueMutation,
  useGetCritiqueQuery,
  useMarkCritiqueReadMutation,
} = critiqueApi;
