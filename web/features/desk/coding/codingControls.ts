import type { CodedEvent, CodedThreat } from '@lean-mentor/core/desk';
import type { BoutHappening, FrameEvent, FrameThreat, PositionCode, Posture, Span } from '@lean-mentor/core/scoring';
import type { Told } from './naming.ts';
import type { Asked, CodingAct } from './codingKeys.ts';

export interface CodingControls {
  on: boolean;
  asked: Asked | null;
  /** How often each name was used in this practice: what is used most is offered first. */
  used: Readonly<Record<string, number>>;
  /** What a name that is asked for is given to. */
  toName: Told;
  toggle: () => void;
  /** Lays what the bouts here already have on the desk, so that it can be named; nothing where that is done. */
  begin: () => void;
  ask: (asked: Asked | null) => void;
  /** Whether letters are asked for, which go before the keys that play the video. */
  takesLetters: () => boolean;
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
  addEvent: (fields: Partial<CodedEvent> & { kind: BoutHappening['kind'] }, atFrame: number) => string;
  changeEvent: (id: string, fields: Partial<CodedEvent>) => void;
  removeEvent: (id: string) => void;
  changeThreat: (id: string, fields: Partial<CodedThreat>) => void;
  removeThreat: (id: string) => void;
  /** Says more of the stretch that is there at a frame. */
  describe: (atFrame: number, said: { name?: string | null; posture?: Posture | null }) => void;
  /** Makes a coding the bout’s; the one before is kept as a draft. */
  accept: (codingId: string) => void;
  offer: (codingId: string) => void;
  /** Puts a whole coding in the place of the one that is edited. */
  bring: (boutId: string, coding: { spans: Span[]; events: FrameEvent[]; threats: FrameThreat[] }) => void;
  /** Whether the key was the palette’s; then it is done. */
  key: (event: KeyboardEvent) => boolean;
}
