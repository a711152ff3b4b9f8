import { sheetOf, type ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { asMeant, boutUsage, ruleSheets, type RuleSheet, type TimedBout } from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { useGetClientBoutsQuery, useListRuleSheetsQuery } from './api.ts';

type ClientBout = ResponseOf<typeof contract.getClientBouts>['bouts'][number];
/** A coded bout of a client as it is meant: by its sheet, with the length and the falls that were said of it. */
type HistoryBout = Omit<ClientBout, 'timed'> & { timed: TimedBout; sheet: RuleSheet };

/** Every coded bout of a client as the server has it, oldest first; null while it is read. */
export function useHistoryBouts(clientId: string): HistoryBout[] | null {
  const { data } = useGetClientBoutsQuery(clientId);
  const { data: sheets } = useListRuleSheetsQuery();
  return useMemo(() => {
    if (!data || !sheets) return null;
    return data.bouts.map((bout) => {
      const ownSheet = sheets.sheets.find(({ id }) => id === bout.sheetId);
      const sheet = ownSheet ? sheetOf(ownSheet.sheet) : ruleSheets[bout.ruleSheet];
      return { ...bout, sheet, timed: asMeant(bout.timed, bout, boutUsage(bout.said, sheet)) };
    });
  }, [data, sheets]);
}
