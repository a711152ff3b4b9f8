import { causeFault, linkedThings, thingWords, timeOrder, type Linked } from '@lean-mentor/core/desk';
import { clockText } from '@lean-mentor/core/footage';
import { actionWords, sideNames, type ScoredAction } from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { useContents, useScene } from '../DeskScene.ts';
import { useClockAt } from '../score/useClockAt.ts';
import { useScored, type BoutScored } from '../score/useScore.ts';

/** "Partner’s pass, 3 points": what changes of position were paid with, by the cut that begins them. */
function paidCuts(scored: readonly BoutScored[]): Map<string, string> {
  const paid = new Map<string, string>();
  for (const { here, standing, frameAt } of scored)
    for (const { athlete, action, at, points, near } of standing.awards) {
      const cut = here.coded.cuts.find(({ atFrame }) => atFrame === frameAt(at));
      const what = actionWords[action as ScoredAction] as string | undefined;
      if (cut && what) paid.set(cut.id, `${sideNames[athlete]}’s ${what}, ${points > 0 ? `${points} points` : `${near} near`}`);
    }
  return paid;
}

/** What can be linked on this desk, what is linked, and how each is called. */
export function useLinked() {
  const { subject, footage } = useScene();
  const { whole } = useContents();
  const { scored } = useScored();
  const clockAt = useClockAt();
  const { notes, events, cuts } = whole;
  const { footages } = subject.request;
  const things = useMemo(() => linkedThings({ notes, events, cuts }), [notes, events, cuts]);
  // What an assistant only proposes is not what happened.
  const standing = useMemo(() => scored.filter(({ here }) => here.coded.coding?.state === 'accepted'), [scored]);
  const paid = useMemo(() => paidCuts(standing), [standing]);
  return {
    things,
    wordsOf: (id: string): string => paid.get(id) ?? thingWords(whole, id),
    /** When on the bout clock; of what lies in another film, its name. */
    whenOf: ({ footageId, atFrame }: Linked): string =>
      footageId === footage.id ? clockText(clockAt(atFrame)) : (footages.find(({ id }) => id === footageId)?.fileName ?? 'another film'),
    inOrder: (one: Linked, other: Linked): number => timeOrder(footages, one, other),
    /**
     * What a note may be said to have come from, or to have led to, beside the notes on the sheet: what happened in this film, and for a
     * cause the notes of others. The nearest first.
     */
    choicesOf: (noteId: string, as: 'cause' | 'effect'): Linked[] => {
      const happened = new Set([
        ...standing.flatMap(({ here }) =>
          here.coded.events.filter(({ kind }) => kind !== 'stoppage' && kind !== 'restart').map(({ id }) => id),
        ),
        ...standing.flatMap(({ here }) => here.coded.cuts.filter(({ holder }) => holder !== null).map(({ id }) => id)),
      ]);
      const note = things.get(noteId);
      if (!note) return [];
      const may = ({ entity, id, footageId }: Linked): boolean =>
        happened.has(id) || (as === 'cause' && entity === 'note' && footageId !== footage.id);
      const fault = (id: string): string | null =>
        as === 'cause' ? causeFault(things, footages, noteId, id) : causeFault(things, footages, id, noteId);
      const nearness = (thing: Linked): number => Math.abs(timeOrder(footages, thing, note)) + (thing.footageId === footage.id ? 0 : 1e9);
      return [...things.values()].filter((thing) => may(thing) && fault(thing.id) === null).sort((a, b) => nearness(a) - nearness(b));
    },
  };
}
