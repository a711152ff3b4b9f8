import * as contract from '@lean-mentor/contract';
import type { BodyOf, OwnRuleSheet, PositionWorth, ResponseOf } from '@lean-mentor/contract';
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
    getPositionWorth: build.query<PositionWorth, void>({ query: () => call(contract.getPositionWorth), providesTags: ['PositionWorth'] }),
    savePositionWorth: build.mutation<PositionWorth, PositionWorth>({
      query: (body) => call(contract.savePositionWorth, { body }),
      // Every ribbon follows at once; where the server does not take it, it goes back.
      onQueryStarted: async (worth, { dispatch, queryFulfilled }) => {
        const shown = dispatch(scoringApi.util.updateQueryData('getPositionWorth', undefined, () => worth));
        await queryFulfilled.catch(() => shown.undo());
      },
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
  useGetPositionWorthQuery,
  useSavePositionWorthMutation,
} = scoringApi;
