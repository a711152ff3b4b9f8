import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const footageApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getFrameTable: build.query<ResponseOf<typeof contract.getFrameTable>, string>({
      query: (footageId) => call(contract.getFrameTable, { params: { footageId } }),
    }),
    getMotion: build.query<ResponseOf<typeof contract.getMotion>, string>({
      query: (footageId) => call(contract.getMotion, { params: { footageId } }),
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

export const { useGetFrameTableQuery, useGetMotionQuery, useGetViewingQuery, useRetryFootageMutation } = footageApi;
