import type { CodedEvent } from '@lean-mentor/core/desk';
import type { BoutHappening, FrameEvent, PositionCode, Span } from '@lean-mentor/core/scoring';
import type { AttemptBegun, CodingAct } from './codingKeys.ts';

export interface CodingControls {
  on: boolean;
  attempt: AttemptBegun | null;
  toggle: () => void;
  /** Lays what the bouts here already have on the desk, so that it can be named; nothing where that is done. */
  begin: () => void;
  setAttempt: (attempt: AttemptBegun | null) => void;
  /** Does what a key or a button of the palette asks for. */
  act: (...acts: CodingAct[]) => void;
  /** From the present frame on it is this. */
  put: (position: PositionCode, partnerHolds: boolean) => void;
  split: () => void;
  /** The span that begins on this frame is joined to the one before it. */
  merge: (fromFrame: number) => void;
  /** The edge on this frame goes to another. */
  moveEdge: (fromFrame: number, atFrame: number) => void;
  /** Something happens on a frame. */
  addEvent: (fields: Partial<CodedEvent> & { kind: BoutHappening['kind'] }, atFrame: number) => void;
  changeEvent: (id: string, fields: Partial<CodedEvent>) => void;
  removeEvent: (id: string) => void;
  /** Makes a coding the bout’s; the one before is kept as a draft. */
  accept: (codingId: string) => void;
  offer: (codingId: string) => void;
  /** Puts a whole coding in the place of the one that is edited. */
  bring: (boutId: string, coding: { spans: Span[]; events: FrameEvent[] }) => void;
  /** Whether the key was the palette’s; then it is done. */
  key: (event: KeyboardEvent) => boolean;
}
