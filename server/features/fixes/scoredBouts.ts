import { sheetOf, type Bout, type Client, type Footage, type OwnRuleSheet, type PositionWorth, type Request } from '@lean-mentor/contract';
import type { DeskDocument } from '@lean-mentor/core/desk';
import type { HarmBout } from '@lean-mentor/core/fixes';
import type { FrameTable } from '@lean-mentor/core/footage';
import { boutTimes, boutUsage, positionValues, ruleSheets, scoredBout, type BoutTimes, type RuleSheet } from '@lean-mentor/core/scoring';
import type { House } from '../../house/house.ts';
import { frameTableOf } from '../footage/index.ts';

/** A bout of a request with its times and sheet; `harm` null while nothing is coded of it. */
export interface ScoredBout {
  footage: Footage;
  bout: Bout;
  times: BoutTimes;
  sheet: RuleSheet;
  harm: HarmBout | null;
}

/** Footage of a request that can be looked at. */
export const readyOf = ({ footages }: Request): Footage[] => footages.filter(({ state }) => state === 'ready');

/** The frame tables of some footage that is ready, by its id. */
export const tablesOf = async (house: House, footages: readonly Footage[]): Promise<Map<string, FrameTable>> =>
  new Map(await Promise.all(footages.map(async ({ id }) => [id, await frameTableOf(house, id)] as const)));

/** A bout with its score, as the coach has corrected it; null while nothing of it is coded. */
function harmOf({ overrides }: DeskDocument, bout: Bout, times: BoutTimes, sheet: RuleSheet, values: HarmBout['values']): HarmBout | null {
  if (bout.spans.length === 0) return null;
  const against = Object.values(overrides).filter(({ boutId }) => boutId === bout.id);
  return { timed: times.timed, score: scoredBout(times, sheet, against).standing, worth: sheet.points, values };
}

/** What the bouts of a request are scored from. */
export interface ToScore {
  request: Request;
  client: Client | null;
  document: DeskDocument;
  tables: ReadonlyMap<string, FrameTable>;
  own: readonly OwnRuleSheet[];
  worth: PositionWorth;
}

/** The bouts of a request in footage that is ready, each by its own sheet and as the coach has corrected it. */
export function scoredBoutsOf({ request, client, document, tables, own, worth }: ToScore): ScoredBout[] {
  const values = positionValues(worth.preset, worth.own);
  return readyOf(request).flatMap((footage) =>
    footage.bouts.map((bout): ScoredBout => {
      const ownSheet = own.find(({ id }) => id === bout.sheetId);
      const sheet = ownSheet ? sheetOf(ownSheet.sheet) : ruleSheets[bout.ruleSheet ?? request.ruleSheet];
      const times = boutTimes(bout, tables.get(footage.id)!, boutUsage(request, sheet, client));
      return { footage, bout, times, sheet, harm: harmOf(document, bout, times, sheet, values) };
    }),
  );
}
