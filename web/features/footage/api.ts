import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

/** What was read off a footage's movement. */
export type MotionRead = ResponseOf<typeof contract.getMotion>;

const footageApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getFrameTable: queryOf(build, contract.getFrameTable),
    getEdition: queryOf(build, contract.getEdition, { keepUnusedDataFor: 3600 }),
    getMotion: queryOf(build, contract.getMotion),
    getSound: queryOf(build, contract.getSound),
    editBouts: mutationOf(build, contract.editBouts),
    saveAlignment: mutationOf(build, contract.saveAlignment),
    getViewing: queryOf(build, contract.getViewing, { keepUnusedDataFor: 3600 }),
    retryFootage: mutationOf(build, contract.retryFootage),
  }),
});

export const {
  useGetEditionQuery,
  useGetFrameTableQuery,
  useGetMotionQuery,
  useGetSoundQuery,
  useGetViewingQuery,
  useRetryFootageMutation,
  useSaveAlignmentMutation,
  useEditBoutsMutation,
} = footageApi;
