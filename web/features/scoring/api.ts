import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const scoringApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listRuleSheets: queryOf(build, contract.listRuleSheets),
    saveRuleSheet: mutationOf(build, contract.saveRuleSheet),
    retireRuleSheet: mutationOf(build, contract.retireRuleSheet),
    chooseBoutSheet: mutationOf(build, contract.chooseBoutSheet),
    getPositionWorth: queryOf(build, contract.getPositionWorth),
    savePositionWorth: mutationOf(build, contract.savePositionWorth, {
      // Every ribbon follows at once; where the server does not take it, it goes back.
      onQueryStarted: async (worth, { dispatch, queryFulfilled }) => {
        const shown = dispatch(scoringApi.util.updateQueryData('getPositionWorth', undefined, () => worth));
        await queryFulfilled.catch(() => shown.undo());
      },
    }),
    getClientBouts: queryOf(build, contract.getClientBouts, { keepUnusedDataFor: 30 }),
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
