import { chainCosts, rankInputOf, requestNoteOf, type HarmBout } from '@lean-mentor/core/fixes';
import { useMemo } from 'react';
import { usePositionValues } from '../../scoring/index.ts';
import { useScene, useContents } from '../DeskScene.ts';
import { useScored } from '../score/useScore.ts';

/** What a note cost by itself, and with what is carried back to it; a conceded finish counts 1. */
export interface ChainCost {
  own: number;
  cost: number;
}

/** The cost of every note on the stage’s footage, as the ladder counts it, by the notes’ ids. */
export function useChainCosts(): ReadonlyMap<string, ChainCost> {
  const { notes } = useContents();
  const { boutAt, secondsAt } = useScene();
  const { scored } = useScored();
  const values = usePositionValues();
  return useMemo(() => {
    const placed = notes.map((note) => {
      const bout = boutAt(note.fromFrame);
      const index = scored.findIndex(({ here }) => here.bout.id === bout?.id);
      return requestNoteOf(note, { footage: 0, bout: index < 0 ? null : index, boutFrom: bout?.fromFrame ?? null, secondsAt });
    });
    const bouts = scored.map(({ timed, standing, sheet }): HarmBout => ({ timed, score: standing, worth: sheet.points, values }));
    // Only what the notes cost is asked for here, not how principles are ranked by it.
    const { input } = rankInputOf({
      client: { level: 1, asked: [], gamePlan: [] },
      principles: [],
      notes: placed,
      bouts,
      minutes: 0,
      history: [],
    });
    const costs = chainCosts(input.notes);
    return new Map(input.notes.map(({ id, ownHarm }) => [id, { own: ownHarm, cost: costs.get(id)! }]));
  }, [notes, boutAt, secondsAt, scored, values]);
}
