import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const requestsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getRequest: queryOf(build, contract.getRequest),
    listDrafts: queryOf(build, contract.listDrafts),
    beginDraft: mutationOf(build, contract.beginDraft),
    // What is saved is what the page shows already: nothing is fetched again for it.
    saveDraft: mutationOf(build, contract.saveDraft),
    discardDraft: mutationOf(build, contract.discardDraft),
    addFootage: mutationOf(build, contract.addFootage),
    replaceFootage: mutationOf(build, contract.replaceFootage),
    removeFootage: mutationOf(build, contract.removeFootage),
    sendRequest: mutationOf(build, contract.sendRequest),
    approveRequest: mutationOf(build, contract.approveRequest),
    sendBackRequest: mutationOf(build, contract.sendBackRequest),
    askFirst: mutationOf(build, contract.askFirst),
    answerFirst: mutationOf(build, contract.answerFirst),
    withdrawRequest: mutationOf(build, contract.withdrawRequest),
    withdrawConsent: mutationOf(build, contract.withdrawConsent),
    getPromise: queryOf(build, contract.getPromise, { keepUnusedDataFor: 0 }),
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
  useGetPromiseQuery,
} = requestsApi;
