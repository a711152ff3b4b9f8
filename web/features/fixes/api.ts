import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

export type LadderData = ResponseOf<typeof contract.getLadder>;

const fixesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getLadder: queryOf(build, contract.getLadder),
    saveFixChoice: mutationOf(build, contract.saveFixChoice),
    saveOwnSchool: mutationOf(build, contract.saveOwnSchool),
    listFixOrders: queryOf(build, contract.listFixOrders),
    importNotes: mutationOf(build, contract.importNotes),
  }),
});

export const { useGetLadderQuery, useSaveFixChoiceMutation, useSaveOwnSchoolMutation, useListFixOrdersQuery, useImportNotesMutation } =
  fixesApi;
