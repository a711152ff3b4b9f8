import type { CodedEvent } from '@lean-mentor/core/desk';
import type { Athlete, BoutHappening, FrameEvent, PositionCode, Span } from '@lean-mentor/core/scoring';

/** An attempt that is being told: when, then by whom and of what, then how it went. */
export interface AttemptBegun {
  atFrame: number;
  athlete: Athlete | null;
  technique: string | null;
}

export interface CodingHand {
  on: boolean;
  attempt: AttemptBegun | null;
  toggle: () => void;
  /** From the present frame on it is this. */
  put: (position: PositionCode, partnerHolds: boolean) => void;
  split: () => void;
  /** The nearest edge comes to the present frame. */
  bringEdge: () => void;
  /** The span that begins on this frame is joined to the one before it. */
  merge: (fromFrame: number) => void;
  /** The edge on this frame goes to another. */
  moveEdge: (fromFrame: number, atFrame: number) => void;
  /** Something happens on the present frame, or on the one that is named. */
  addEvent: (fields: Partial<CodedEvent> & { kind: BoutHappening['kind'] }, atFrame?: number) => void;
  changeEvent: (id: string, fields: Partial<CodedEvent>) => void;
  removeEvent: (id: string) => void;
  /** The clock stops here; where it stands already it goes on, in the position before it stopped. */
  stopOrRestart: () => void;
  setAttempt: (attempt: AttemptBegun | null) => void;
  /** Makes a coding the bout’s; the one before is kept as a draft. */
  accept: (codingId: string) => void;
  offer: (codingId: string) => void;
  /** Puts a whole coding in the place of the one that is edited. */
  bring: (boutId: string, coding: { spans: Span[]; events: FrameEvent[] }) => void;
  /** Answers whether the key was the palette’s. */
  key: (event: KeyboardEvent) => boolean;
}
