import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const entriesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getBook: queryOf(build, contract.getBook),
    saveBookPrinciple: mutationOf(build, contract.saveBookPrinciple),
    removeBookPrinciple: mutationOf(build, contract.removeBookPrinciple),
    mergeBookPrinciples: mutationOf(build, contract.mergeBookPrinciples),
    saveBookDrill: mutationOf(build, contract.saveBookDrill),
    removeBookDrill: mutationOf(build, contract.removeBookDrill),
    importBook: mutationOf(build, contract.importBook),
    addStarterBook: mutationOf(build, contract.addStarterBook),
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
