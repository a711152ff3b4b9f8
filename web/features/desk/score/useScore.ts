import { sheetOf } from '@lean-mentor/contract';
import type { OwnRuleSheet } from '@lean-mentor/contract';
import type { CodedOverride } from '@lean-mentor/core/desk';
import {
  boutClock,
  correctedBout,
  correctedScore,
  ruleSheets,
  scoreBout,
  timedBout,
  type BoutClock,
  type BoutScore,
  type CorrectedScore,
  type RuleSheet,
  type RuleSheetName,
  type ScoreOverride,
  type TimedBout,
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
export interface BoutScored {
  here: BoutHere;
  /** Seconds since the bout’s start of a frame, and back. */
  since: (frame: number) => number;
  timed: TimedBout;
  clock: BoutClock;
  sheet: RuleSheet;
  choice: SheetChoice;
  result: BoutScore;
  overrides: CodedOverride[];
  corrected: CorrectedScore | null;
  /** The computed result with the corrections in it. */
  standing: BoutScore;
}

export interface ScoreHand {
  /** The bouts of the footage that have anything coded. */
  scored: BoutScored[];
  own: readonly OwnRuleSheet[];
  choose: (boutId: string, choice: SheetChoice) => void;
}

const none: readonly OwnRuleSheet[] = [];

/** Scores every bout on the stage’s footage, at once with each edit and each change of sheet. */
export function useScore(
  { subject, secondsAt }: DeskScene,
  bouts: readonly BoutHere[],
  overrides: Record<string, CodedOverride>,
): ScoreHand {
  const { data } = useListRuleSheetsQuery();
  const own = data?.sheets ?? none;
  const [chosen, setChosen] = useState<Readonly<Record<string, SheetChoice>>>({});
  const [chooseBoutSheet] = useChooseBoutSheetMutation();
  const asked = subject.request.ruleSheet;
  const scored = useMemo(
    () =>
      bouts
        .filter(({ bout }) => bout.spans.length > 0)
        .map((here): BoutScored => {
          const { bout } = here;
          const choice = chosen[bout.id] ?? { ruleSheet: bout.ruleSheet, sheetId: bout.sheetId };
          const ownSheet = own.find(({ id }) => id === choice.sheetId);
          const sheet = ownSheet ? sheetOf(ownSheet.sheet) : ruleSheets[choice.ruleSheet ?? asked];
          const start = secondsAt(bout.fromFrame);
          const since = (frame: number): number => secondsAt(frame) - start;
          const timed = timedBout(bout, secondsAt);
          const result = scoreBout(timed, sheet);
          const against = Object.values(overrides).filter(({ boutId }) => boutId === bout.id);
          const asScore = against.map(({ atFrame, ...override }): ScoreOverride => ({ ...override, at: since(atFrame) }));
          return {
            here,
            since,
            timed,
            clock: boutClock(timed),
            sheet,
            choice,
            result,
            overrides: against,
            corrected: correctedScore(sheet, result, asScore),
            standing: correctedBout(sheet, result, asScore),
          };
        }),
    [bouts, chosen, own, asked, secondsAt, overrides],
  );
  return useMemo(
    () => ({
      scored,
      own,
      choose: (boutId, choice) => {
        setChosen((before) => ({ ...before, [boutId]: choice }));
        void chooseBoutSheet({ boutId, ...choice }).then(({ error }) => error && toast.error(faultWords(error)));
      },
    }),
    [scored, own, chooseBoutSheet],
  );
}

const hand = createContext<ScoreHand | null>(null);
export const ScoreProvider = hand.Provider;
export const useScoreHand = (): ScoreHand => useContext(hand) ?? { scored: [], own: none, choose: () => undefined };

/** The score of the bout that a frame belongs to; undefined while nothing is coded of it. */
export const scoredAt = (scored: readonly BoutScored[], frame: number): BoutScored | undefined =>
  scored.findLast(({ here }) => here.bout.fromFrame <= frame) ?? scored[0];
