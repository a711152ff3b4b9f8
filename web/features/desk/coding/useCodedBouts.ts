import type { Bout } from '@lean-mentor/contract';
import {
  codedBout,
  codingsOf,
  frameEventsOf,
  frameThreatsOf,
  type CodedBout,
  type Coding,
  type DeskDocument,
} from '@lean-mentor/core/desk';
import { useMemo } from 'react';

export interface Coder {
  id: string;
  name: string;
  isCoach: boolean;
}

/** The coding that is shown to somebody: the accepted one; an assistant sees their own first. */
export function shownCoding(document: Pick<DeskDocument, 'codings'>, boutId: string, coder: Coder): Coding | null {
  const all = codingsOf(document, boutId);
  const accepted = all.find(({ state }) => state === 'accepted');
  const own = all.find(({ coderId }) => coderId === coder.id);
  return (coder.isCoach ? (accepted ?? own) : (own ?? accepted)) ?? null;
}

/** A bout and what is coded of it here; where nothing is, what the server has. */
export interface BoutHere {
  bout: Bout;
  coded: CodedBout;
}

/** The bouts of the footage on the stage with what is coded of them on this desk, as it is being edited. */
export function useCodedBouts(bouts: readonly Bout[], document: DeskDocument, coder: Coder): BoutHere[] {
  const { codings, cuts, events, threats } = document;
  return useMemo(
    () =>
      bouts.map((bout) => {
        const coding = shownCoding({ codings }, bout.id, coder);
        const coded = codedBout({ cuts, events, threats }, bout, coding);
        if (!coding) return { bout, coded };
        return {
          bout: {
            ...bout,
            spans: coded.spans,
            events: frameEventsOf(coded.events),
            threats: frameThreatsOf(coded.threats, bout),
          },
          coded,
        };
      }),
    [bouts, codings, cuts, events, threats, coder],
  );
}
