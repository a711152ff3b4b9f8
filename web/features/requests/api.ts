import * as contract from '@lean-mentor/contract';
import type { BodyOf, Draft, Footage, Operation, Request, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

type OfRequest<O extends Operation> = { requestId: string } & (BodyOf<O> extends undefined ? object : BodyOf<O>);

const requestsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getRequest: build.query<Request, string>({
      query: (requestId) => call(contract.getRequest, { params: { requestId } }),
      providesTags: ['Request'],
    }),
    listDrafts: build.query<ResponseOf<typeof contract.listDrafts>, void>({
      query: () => call(contract.listDrafts),
      providesTags: ['Request'],
    }),
    beginDraft: build.mutation<Draft, BodyOf<typeof contract.beginDraft>>({
      query: (body) => call(contract.beginDraft, { body }),
      invalidatesTags: ['Request'],
    }),
    // What is saved is what the page shows already: nothing is fetched again for it.
    saveDraft: build.mutation<Draft, OfRequest<typeof contract.saveDraft>>({
      query: ({ requestId, ...body }) => call(contract.saveDraft, { params: { requestId }, body }),
    }),
    discardDraft: build.mutation<unknown, string>({
      query: (requestId) => call(contract.discardDraft, { params: { requestId } }),
      invalidatesTags: ['Request'],
    }),
    addFootage: build.mutation<Footage, OfRequest<typeof contract.addFootage>>({
      query: ({ requestId, ...body }) => call(contract.addFootage, { params: { requestId }, body }),
      invalidatesTags: ['Request'],
    }),
    replaceFootage: build.mutation<Footage, { footageId: string } & OfRequest<typeof contract.replaceFootage>>({
      query: ({ requestId, footageId, ...body }) => call(contract.replaceFootage, { params: { requestId, footageId }, body }),
      invalidatesTags: ['Request'],
    }),
    removeFootage: build.mutation<unknown, { requestId: string; footageId: string }>({
      query: (params) => call(contract.removeFootage, { params }),
      invalidatesTags: ['Request'],
    }),
    sendRequest: build.mutation<Request, string>({
      query: (requestId) => call(contract.sendRequest, { params: { requestId } }),
      invalidatesTags: ['Request', 'Letter'],
    }),
    approveRequest: build.mutation<Request, string>({
      query: (requestId) => call(contract.approveRequest, { params: { requestId } }),
      invalidatesTags: ['Request'],
    }),
    sendBackRequest: build.mutation<unknown, OfRequest<typeof contract.sendBackRequest>>({
      query: ({ requestId, ...body }) => call(contract.sendBackRequest, { params: { requestId }, body }),
      invalidatesTags: ['Request'],
    }),
    askFirst: build.mutation<Request, OfRequest<typeof contract.askFirst>>({
      query: ({ requestId, ...body }) => call(contract.askFirst, { params: { requestId }, body }),
      invalidatesTags: ['Request', 'Letter'],
    }),
    answerFirst: build.mutation<Request, OfRequest<typeof contract.answerFirst>>({
      query: ({ requestId, ...body }) => call(contract.answerFirst, { params: { requestId }, body }),
      invalidatesTags: ['Request'],
    }),
    withdrawRequest: build.mutation<Request, string>({
      query: (requestId) => call(contract.withdrawRequest, { params: { requestId } }),
      invalidatesTags: ['Request', 'Critique'],
    }),
    withdrawConsent: build.mutation<Request, string>({
      query: (requestId) => call(contract.withdrawConsent, { params: { requestId } }),
      invalidatesTags: ['Request', 'Critique', 'Letter'],
    }),
  }),
});

export const {
  useGetRequestQuery,
  useListDraftsQuery,
  useBeginDraftMutation,
  useSaveDraftMutation,
  useDiscardDraftMutation,
  useAddFootageMutation,
  useRemoveFootageMutation,
  useReplaceFootageMutation,
  useSendRequestMutation,
  useApproveRequestMutation,
  useSendBackRequestMutation,
  useAskFirstMutation,
  useAnswerFirstMutation,
  useWithdrawRequestMutation,
  useWithdrawConsentMutation,
} = requestsApi;
