import { chainCosts, rankInputOf, requestEventsOf, requestNoteOf, type HarmBout } from '@lean-mentor/core/fixes';
import { useMemo } from 'react';
import { usePositionValues } from '../../scoring/index.ts';
import { useScene, useContents } from '../DeskScene.ts';
import { useScored } from '../score/useScore.ts';

/** What a note cost by itself, and with what is carried back to it; a conceded finish counts 1. */
export interface ChainCost {
  own: number;
  cost: number;
}

/**
 * The cost of every note on the stage’s footage and of what is coded and linked there, as the ladder counts it, by their ids. What links
 * into other footage carry is counted on the ladder only.
 */
export function useChainCosts(): ReadonlyMap<string, ChainCost> {
  const { document, notes } = useContents();
  const { boutAt, secondsAt } = useScene();
  const { scored } = useScored();
  const values = usePositionValues();
  return useMemo(() => {
    const placed = notes.map((note) => {
      const bout = boutAt(note.fromFrame);
      const index = scored.findIndex(({ here }) => here.bout.id === bout?.id);
      return requestNoteOf(note, { footage: 0, bout: index < 0 ? null : index, boutFrom: bout?.fromFrame ?? null, startsAt: 0, secondsAt });
    });
    const events = requestEventsOf(document, ({ codingId, atFrame }) => {
      const index = scored.findIndex(({ here }) => here.coded.coding?.id === codingId);
      return index < 0 ? null : { bout: index, atSeconds: scored[index]!.since(atFrame), requestSeconds: secondsAt(atFrame) };
    });
    const bouts = scored.map(({ timed, standing, sheet }): HarmBout => ({ timed, score: standing, worth: sheet.points, values }));
    // Only what the notes cost is asked for here, not how principles are ranked by it.
    const { input } = rankInputOf({
      client: { level: 1, asked: [], gamePlan: [] },
      principles: [],
      notes: placed,
      events,
      bouts,
      minutes: 0,
      history: [],
    });
    const links = [...input.notes, ...input.events];
    const costs = chainCosts(links);
    return new Map(links.map(({ id, ownHarm }) => [id, { own: ownHarm, cost: costs.get(id)! }]));
  }, [document, notes, boutAt, secondsAt, scored, values]);
}
