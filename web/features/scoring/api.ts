import * as contract from '@lean-mentor/contract';
import type { BodyOf, OwnRuleSheet, ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

export type ClientBouts = ResponseOf<typeof contract.getClientBouts>['bouts'];

const scoringApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listRuleSheets: build.query<{ sheets: OwnRuleSheet[] }, void>({
      query: () => call(contract.listRuleSheets),
      providesTags: ['RuleSheet'],
    }),
    saveRuleSheet: build.mutation<OwnRuleSheet, BodyOf<typeof contract.saveRuleSheet>>({
      query: (body) => call(contract.saveRuleSheet, { body }),
      invalidatesTags: ['RuleSheet'],
    }),
    retireRuleSheet: build.mutation<{ done: true }, string>({
      query: (familyId) => call(contract.retireRuleSheet, { params: { familyId } }),
      invalidatesTags: ['RuleSheet'],
    }),
    chooseBoutSheet: build.mutation<{ done: true }, { boutId: string } & BodyOf<typeof contract.chooseBoutSheet>>({
      query: ({ boutId, ...body }) => call(contract.chooseBoutSheet, { params: { boutId }, body }),
    }),
    getClientBouts: build.query<{ bouts: ClientBouts }, string>({
      query: (clientId) => call(contract.getClientBouts, { params: { clientId } }),
      keepUnusedDataFor: 30,
    }),
  }),
});

export const {
  useListRuleSheetsQuery,
  useSaveRuleSheetMutation,
  useRetireRuleSheetMutation,
  useChooseBoutSheetMutation,
  useGetClientBoutsQuery,
} = scoringApi;
