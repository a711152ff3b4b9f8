import * as contract from '@lean-mentor/contract';
import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import { baseApi, call } from '../../shared/wire/index.ts';

const entriesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getBook: build.query<ResponseOf<typeof contract.getBook>, void>({ query: () => call(contract.getBook), providesTags: ['Book'] }),
    saveBookPrinciple: build.mutation<BookPrinciple, BookPrinciple>({
      query: ({ id, ...body }) => call(contract.saveBookPrinciple, { params: { principleId: id }, body }),
      invalidatesTags: ['Book'],
    }),
    removeBookPrinciple: build.mutation<{ done: true }, string>({
      query: (principleId) => call(contract.removeBookPrinciple, { params: { principleId } }),
      invalidatesTags: ['Book'],
    }),
    mergeBookPrinciples: build.mutation<ResponseOf<typeof contract.mergeBookPrinciples>, { id: string; intoId: string }>({
      query: ({ id, intoId }) => call(contract.mergeBookPrinciples, { params: { principleId: id }, body: { intoId } }),
      invalidatesTags: ['Book', 'Ladder'],
    }),
    saveBookDrill: build.mutation<BookDrill, BookDrill>({
      query: ({ id, ...body }) => call(contract.saveBookDrill, { params: { drillId: id }, body }),
      invalidatesTags: ['Book'],
    }),
    removeBookDrill: build.mutation<{ done: true }, string>({
      query: (drillId) => call(contract.removeBookDrill, { params: { drillId } }),
      invalidatesTags: ['Book'],
    }),
    importBook: build.mutation<ResponseOf<typeof contract.importBook>, BodyOf<typeof contract.importBook>>({
      query: (body) => call(contract.importBook, { body }),
      invalidatesTags: ['Book'],
    }),
    addStarterBook: build.mutation<ResponseOf<typeof contract.addStarterBook>, void>({
      query: () => call(contract.addStarterBook),
      invalidatesTags: ['Book'],
    }),
  }),
});

export const {
  useGetBookQuery,
  useSaveBookPrincipleMutation,
  useRemoveBookPrincipleMutation,
  useMergeBookPrinciplesMutation,
  useSaveBookDrillMutation,
  useRemoveBookDrillMutation,
  useImportBookMutation,
  useAddStarterBookMutation,
} = entriesApi;
