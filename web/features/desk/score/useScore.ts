import { sheetOf } from '@lean-mentor/contract';
import type { Bout, OwnRuleSheet } from '@lean-mentor/contract';
import type { CodedOverride } from '@lean-mentor/core/desk';
import {
  boutTimes,
  boutUsage,
  ruleSheets,
  scoredBout,
  type BoutTimes,
  type RuleSheet,
  type RuleSheetName,
  type ScoredBout,
} from '@lean-mentor/core/scoring';
import { createContext, useContext, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { faultWords } from '../../../shared/wire/index.ts';
import { useChooseBoutSheetMutation, useListRuleSheetsQuery } from '../../scoring/index.ts';
import type { BoutHere } from '../coding/useCodedBouts.ts';
import type { DeskScene } from '../DeskScene.ts';

/** Which sheet: one that ships, or a version of the coach’s own. */
export interface SheetChoice {
  ruleSheet: RuleSheetName | null;
  sheetId: string | null;
}

/** The score of one bout as it is coded at this moment. */
export interface BoutScored extends BoutTimes, ScoredBout {
  here: BoutHere;
  sheet: RuleSheet;
  choice: SheetChoice;
  overrides: CodedOverride[];
}

export interface Scored {
  /** The bouts of the footage that have anything coded. */
  scored: BoutScored[];
  own: readonly OwnRuleSheet[];
  choose: (boutId: string, choice: SheetChoice) => void;
  /** Takes over what a bout goes by, which has been saved elsewhere, until the desk is opened anew. */
  adopt: (boutId: string, gone: GoneBy) => void;
}

/** How long a bout was meant to be, and whether a finish ends it. */
export type GoneBy = Pick<Bout, 'lengthSeconds' | 'afterFinish'>;

const none: readonly OwnRuleSheet[] = [];

/** Scores every bout on the stage’s footage, at once with each edit and each change of sheet. */
export function useScore({ subject, table }: DeskScene, bouts: readonly BoutHere[], overrides: Record<string, CodedOverride>): Scored {
  const { data } = useListRuleSheetsQuery();
  const own = data?.sheets ?? none;
  const [chosen, setChosen] = useState<Readonly<Record<string, SheetChoice>>>({});
  const [adopted, setAdopted] = useState<Readonly<Record<string, GoneBy>>>({});
  const [chooseBoutSheet] = useChooseBoutSheetMutation();
  const { request, client } = subject;
  const scored = useMemo(
    () =>
      bouts
        .filter(({ bout }) => bout.spans.length > 0)
        .map((here): BoutScored => {
          const { bout } = here;
          const choice = chosen[bout.id] ?? { ruleSheet: bout.ruleSheet, sheetId: bout.sheetId };
          const ownSheet = own.find(({ id }) => id === choice.sheetId);
          const sheet = ownSheet ? sheetOf(ownSheet.sheet) : ruleSheets[choice.ruleSheet ?? request.ruleSheet];
          const times = boutTimes({ ...bout, ...adopted[bout.id] }, table, boutUsage(request, sheet, client));
          const against = Object.values(overrides).filter(({ boutId }) => boutId === bout.id);
          return { here, ...times, sheet, choice, overrides: against, ...scoredBout(times, sheet, against) };
        }),
    [bouts, chosen, adopted, own, request, client, table, overrides],
  );
  return useMemo(
    () => ({
      scored,
      own,
      adopt: (boutId, gone) => setAdopted((before) => ({ ...before, [boutId]: gone })),
      choose: (boutId, choice) => {
        setChosen((before) => ({ ...before, [boutId]: choice }));
        void chooseBoutSheet({ boutId, ...choice }).then(({ error }) => error && toast.error(faultWords(error)));
      },
    }),
    [scored, own, chooseBoutSheet],
  );
}

const scores = createContext<Scored | null>(null);
export const ScoreProvider = scores.Provider;
export const useScored = (): Scored => useContext(scores) ?? { scored: [], own: none, choose: () => undefined, adopt: () => undefined };

/** The score of the bout that a frame belongs to; undefined while nothing is coded of it. */
export const scoredAt = (scored: readonly BoutScored[], frame: number): BoutScored | undefined =>
  scored.findLast(({ here }) => here.bout.fromFrame <= frame) ?? scored[0];
