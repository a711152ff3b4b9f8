import * as contract from '@lean-mentor/contract';
import type { Alignment, BoutEdit, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

/** What was read off a footage's movement. */
export type MotionRead = ResponseOf<typeof contract.getMotion>;

const footageApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getFrameTable: build.query<ResponseOf<typeof contract.getFrameTable>, string>({
      query: (footageId) => call(contract.getFrameTable, { params: { footageId } }),
    }),
    getMotion: build.query<MotionRead, string>({
      query: (footageId) => call(contract.getMotion, { params: { footageId } }),
    }),
    getSound: build.query<ResponseOf<typeof contract.getSound>, string>({
      query: (footageId) => call(contract.getSound, { params: { footageId } }),
    }),
    editBouts: build.mutation<ResponseOf<typeof contract.editBouts>, { footageId: string; edits: BoutEdit[] }>({
      query: ({ footageId, edits }) => call(contract.editBouts, { params: { footageId }, body: { edits } }),
      invalidatesTags: ['Request'],
    }),
    saveAlignment: build.mutation<ResponseOf<typeof contract.saveAlignment>, { footageId: string; alignment: Alignment | null }>({
      query: ({ footageId, alignment }) => call(contract.saveAlignment, { params: { footageId }, body: { alignment } }),
      invalidatesTags: ['Request'],
    }),
    getViewing: build.query<ResponseOf<typeof contract.getViewing>, string>({
      query: (footageId) => call(contract.getViewing, { params: { footageId } }),
      keepUnusedDataFor: 3600,
    }),
    retryFootage: build.mutation<ResponseOf<typeof contract.retryFootage>, string>({
      query: (footageId) => call(contract.retryFootage, { params: { footageId } }),
      invalidatesTags: ['Request'],
    }),
  }),
});

export const {
  useGetFrameTableQuery,
  useGetMotionQuery,
  useGetSoundQuery,
  useGetViewingQuery,
  useRetryFootageMutation,
  useSaveAlignmentMutation,
  useEditBoutsMutation,
} = footageApi;
