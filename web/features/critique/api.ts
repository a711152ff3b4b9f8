import * as contract from '@lean-mentor/contract';
import type { BodyOf, Critique, ExportState, PhraseBook, Question, ResponseOf, SharedCritique } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

export type DraftState = ResponseOf<typeof contract.getCritiqueDraft>;
export type OpenQuestion = ResponseOf<typeof contract.listOpenQuestions>['questions'][number];

export const critiqueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getCritiqueDraft: build.query<DraftState, string>({
      query: (requestId) => call(contract.getCritiqueDraft, { params: { requestId } }),
      providesTags: ['Draft'],
    }),
    draftCritique: build.mutation<ResponseOf<typeof contract.draftCritique>, string>({
      query: (requestId) => call(contract.draftCritique, { params: { requestId } }),
    }),
    saveCritiqueDraft: build.mutation<{ revision: number }, { requestId: string } & BodyOf<typeof contract.saveCritiqueDraft>>({
      query: ({ requestId, ...body }) => call(contract.saveCritiqueDraft, { params: { requestId }, body }),
    }),
    sendCritique: build.mutation<Critique, { requestId: string; revision: number }>({
      query: ({ requestId, revision }) => call(contract.sendCritique, { params: { requestId }, body: { revision } }),
      invalidatesTags: ['Request', 'Critique', 'Draft', 'Letter', 'Ladder'],
    }),
    takeBackCritique: build.mutation<{ done: true }, string>({
      query: (critiqueId) => call(contract.takeBackCritique, { params: { critiqueId } }),
      invalidatesTags: ['Request', 'Critique', 'Draft', 'Letter'],
    }),
    getCritique: build.query<Critique, string>({
      query: (critiqueId) => call(contract.getCritique, { params: { critiqueId } }),
      providesTags: ['Critique'],
    }),
    getCritiqueVersion: build.query<Critique, { critiqueId: string; version: number }>({
      query: (params) => call(contract.getCritiqueVersion, { params }),
    }),
    openShortLink: build.query<{ critiqueId: string }, string>({ query: (code) => call(contract.openShortLink, { params: { code } }) }),
    markCritiqueRead: build.mutation<ResponseOf<typeof contract.markCritiqueRead>, string>({
      query: (critiqueId) => call(contract.markCritiqueRead, { params: { critiqueId } }),
      invalidatesTags: ['Critique'],
    }),
    markUnderstood: build.mutation<{ done: true }, { critiqueId: string; fixId: string; understood: boolean }>({
      query: ({ understood, ...params }) => call(contract.markUnderstood, { params, body: { understood } }),
      invalidatesTags: ['Critique'],
    }),
    askQuestion: build.mutation<Question, { critiqueId: string } & BodyOf<typeof contract.askQuestion>>({
      query: ({ critiqueId, ...body }) => call(contract.askQuestion, { params: { critiqueId }, body }),
      invalidatesTags: ['Critique', 'Question'],
    }),
    answerQuestion: build.mutation<Question, { questionId: string; words: string }>({
      query: ({ questionId, words }) => call(contract.answerQuestion, { params: { questionId }, body: { words } }),
      invalidatesTags: ['Critique', 'Question', 'Letter'],
    }),
    askExport: build.mutation<ExportState, { critiqueId: string } & BodyOf<typeof contract.askExport>>({
      query: ({ critiqueId, ...body }) => call(contract.askExport, { params: { critiqueId }, body }),
    }),
    getExport: build.query<ExportState, { critiqueId: string; exportId: string }>({
      query: (params) => call(contract.getExport, { params }),
      keepUnusedDataFor: 0,
    }),
    listReadLinks: build.query<ResponseOf<typeof contract.listReadLinks>, string>({
      query: (critiqueId) => call(contract.listReadLinks, { params: { critiqueId } }),
      providesTags: ['Link'],
    }),
    makeReadLink: build.mutation<ResponseOf<typeof contract.makeReadLink>, { critiqueId: string } & BodyOf<typeof contract.makeReadLink>>({
      query: ({ critiqueId, ...body }) => call(contract.makeReadLink, { params: { critiqueId }, body }),
      invalidatesTags: ['Link'],
    }),
    endReadLink: build.mutation<{ done: true }, { critiqueId: string; linkId: string }>({
      query: (params) => call(contract.endReadLink, { params }),
      invalidatesTags: ['Link'],
    }),
    getSharedCritique: build.query<SharedCritique, string>({ query: (token) => call(contract.getSharedCritique, { params: { token } }) }),
    getPhraseBook: build.query<PhraseBook, void>({ query: () => call(contract.getPhraseBook) }),
    savePhraseBook: build.mutation<PhraseBook, PhraseBook>({
      query: (body) => call(contract.savePhraseBook, { body }),
      async onQueryStarted(body, { dispatch, queryFulfilled }) {
        const put = dispatch(critiqueApi.util.updateQueryData('getPhraseBook', undefined, () => body));
        await queryFulfilled.catch(() => put.undo());
      },
    }),
    listOpenQuestions: build.query<ResponseOf<typeof contract.listOpenQuestions>, void>({
      query: () => call(contract.listOpenQuestions),
      providesTags: ['Question'],
    }),
  }),
});

export const {
  useGetCritiqueDraftQuery,
  useDraftCritiqueMutation,
  useSaveCritiqueDraftMutation,
  useSendCritiqueMutation,
  useTakeBackCritiqueMutation,
  useGetCritiqueQuery,
  useGetCritiqueVersionQuery,
  useOpenShortLinkQuery,
  useMarkCritiqueReadMutation,
  useMarkUnderstoodMutation,
  useAskQuestionMutation,
  useAnswerQuestionMutation,
  useListOpenQuestionsQuery,
  useListReadLinksQuery,
  useMakeReadLinkMutation,
  useEndReadLinkMutation,
  useGetSharedCritiqueQuery,
  useGetPhraseBookQuery,
  useSavePhraseBookMutation,
} = critiqueApi;
