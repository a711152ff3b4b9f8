import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export type DraftState = ResponseOf<typeof contract.getCritiqueDraft>;

export const critiqueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getCritiqueDraft: queryOf(build, contract.getCritiqueDraft),
    draftCritique: mutationOf(build, contract.draftCritique),
    saveCritiqueDraft: mutationOf(build, contract.saveCritiqueDraft),
    sendCritique: mutationOf(build, contract.sendCritique),
    takeBackCritique: mutationOf(build, contract.takeBackCritique),
    getCritique: queryOf(build, contract.getCritique),
    getCritiqueVersion: queryOf(build, contract.getCritiqueVersion),
    getSentTake: queryOf(build, contract.getSentTake),
    saveHeard: mutationOf(build, contract.saveHeard),
    openShortLink: queryOf(build, contract.openShortLink),
    markCritiqueRead: mutationOf(build, contract.markCritiqueRead),
    markUnderstood: mutationOf(build, contract.markUnderstood),
    chooseAtFork: mutationOf(build, contract.chooseAtFork),
    askQuestion: mutationOf(build, contract.askQuestion),
    answerQuestion: mutationOf(build, contract.answerQuestion),
    getAnswerTake: queryOf(build, contract.getAnswerTake),
    askExport: mutationOf(build, contract.askExport),
    getExport: queryOf(build, contract.getExport, { keepUnusedDataFor: 0 }),
    listReadLinks: queryOf(build, contract.listReadLinks),
    makeReadLink: mutationOf(build, contract.makeReadLink),
    endReadLink: mutationOf(build, contract.endReadLink),
    getSharedCritique: queryOf(build, contract.getSharedCritique),
    getPhraseBook: queryOf(build, contract.getPhraseBook),
    savePhraseBook: mutationOf(build, contract.savePhraseBook, {
      async onQueryStarted(body, { dispatch, queryFulfilled }) {
        const put = dispatch(critiqueApi.util.updateQueryData('getPhraseBook', undefined, () => body));
        await queryFulfilled.catch(() => put.undo());
      },
    }),
    listOpenQuestions: queryOf(build, contract.listOpenQuestions),
  }),
});

export const {
  useGetCritiqueDraftQuery,
  useLazyGetCritiqueDraftQuery,
  useDraftCritiqueMutation,
  useSaveCritiqueDraftMutation,
  useSendCritiqueMutation,
  useTakeBackCritiqueMutation,
  useGetCritiqueQuery,
  useGetCritiqueVersionQuery,
  useGetSentTakeQuery,
  useSaveHeardMutation,
  useOpenShortLinkQuery,
  useMarkCritiqueReadMutation,
  useMarkUnderstoodMutation,
  useChooseAtForkMutation,
  useAskQuestionMutation,
  useAnswerQuestionMutation,
  useGetAnswerTakeQuery,
  useListOpenQuestionsQuery,
  useListReadLinksQuery,
  useMakeReadLinkMutation,
  useEndReadLinkMutation,
  useGetSharedCritiqueQuery,
  useGetPhraseBookQuery,
  useSavePhraseBookMutation,
} = critiqueApi;
