import * as contract from '@lean-mentor/contract';
import type { BodyOf, FileNote, OwnSchool, RequestFixChoice, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

export type LadderData = ResponseOf<typeof contract.getLadder>;

const fixesApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getLadder: build.query<LadderData, string>({
      query: (requestId) => call(contract.getLadder, { params: { requestId } }),
      providesTags: ['Ladder'],
    }),
    saveFixChoice: build.mutation<RequestFixChoice, { requestId: string } & BodyOf<typeof contract.saveFixChoice>>({
      query: ({ requestId, ...body }) => call(contract.saveFixChoice, { params: { requestId }, body }),
    }),
    saveOwnSchool: build.mutation<OwnSchool, OwnSchool>({ query: (body) => call(contract.saveOwnSchool, { body }) }),
    listFixOrders: build.query<ResponseOf<typeof contract.listFixOrders>, void>({ query: () => call(contract.listFixOrders) }),
    importNotes: build.mutation<{ added: number }, { requestId: string; notes: FileNote[] }>({
      query: ({ requestId, notes }) => call(contract.importNotes, { params: { requestId }, body: { format: contract.notesFormat, notes } }),
      invalidatesTags: ['Ladder', 'Book'],
    }),
    /** Gives notes of a request another principle; each change says what it changes from, so that it can be turned round. */
    renameNotes: build.mutation<unknown, { requestId: string; notes: { id: string; from: string | null; to: string | null }[] }>({
      query: ({ requestId, notes }) =>
        call(contract.saveDeskChanges, {
          params: { requestId },
          body: {
            since: 0,
            changes: notes.map(({ id, from, to }) => ({
              changeId: crypto.randomUUID(),
              entity: 'note' as const,
              id,
              before: { principleId: from },
              after: { principleId: to },
            })),
          },
        }),
      invalidatesTags: ['Ladder', 'Book'],
    }),
  }),
});

export const {
  useGetLadderQuery,
  useSaveFixChoiceMutation,
  useSaveOwnSchoolMutation,
  useListFixOrdersQuery,
  useRenameNotesMutation,
  useImportNotesMutation,
} = fixesApi;
