/** What lies on the desk for one request. Frames are of the footage each thing names; `fromFrame` inclusive, `toFrame` exclusive. */
export interface Mark {
  id: string;
  footageId: string;
  atFrame: number;
  /** open: still to be looked at; noted: became a note; let-go: looked at and dropped. */
  state: 'open' | 'noted' | 'let-go';
}

export const noteKinds = ['mistake', 'missed-chance', 'good', 'question', 'caution'] as const;
export type NoteKind = (typeof noteKinds)[number];

export interface Note {
  id: string;
  footageId: string;
  fromFrame: number;
  /** Null: the note stands on one frame. */
  toFrame: number | null;
  kind: NoteKind;
  athlete: 'client' | 'partner';
  seen: 'clear' | 'likely' | 'hidden';
  /** 1 light … 3 heavy. */
  severity: number;
  what: string;
  /** What to do instead, in order; `when` may be empty. */
  instead: { when: string; do: string }[];
  /** The mark this note grew from. */
  markId: string | null;
}

export const drawingTools = ['arrow', 'freehand'] as const;
export type DrawingTool = (typeof drawingTools)[number];
export const strokeColours = ['client', 'partner', 'chalk'] as const;
export type StrokeColour = (typeof strokeColours)[number];

export interface Drawing {
  id: string;
  footageId: string;
  tool: DrawingTool;
  colour: StrokeColour;
  /** Picture coordinates: fractions of width and height, origin top left, so they hold at any size. An arrow has tail and tip. */
  points: { x: number; y: number }[];
  fromFrame: number;
  toFrame: number;
}

export interface DeskDocument {
  marks: Record<string, Mark>;
  notes: Record<string, Note>;
  drawings: Record<string, Drawing>;
}

export const emptyDesk = (): DeskDocument => ({ marks: {}, notes: {}, drawings: {} });

const ofFootage = <T extends { footageId: string }>(things: Record<string, T>, footageId: string): Record<string, T> =>
  Object.fromEntries(Object.entries(things).filter(([, thing]) => thing.footageId === footageId));

/** What of a desk stands on one footage. */
export const deskOfFootage = ({ marks, notes, drawings }: DeskDocument, footageId: string): DeskDocument => ({
  marks: ofFootage(marks, footageId),
  notes: ofFootage(notes, footageId),
  drawings: ofFootage(drawings, footageId),
});

/** Drawings alive on a frame, in the order given (of a document: object order, which is the order they were made in). */
export const drawingsAtFrame = <D extends Pick<Drawing, 'fromFrame' | 'toFrame'>>(drawings: readonly D[], frame: number): D[] =>
  drawings.filter((d) => d.fromFrame <= frame && frame < d.toFrame);

/** Marks and notes of one footage as stops for "previous / next", ascending, one per frame. */
export function stopsOf(document: DeskDocument): number[] {
  const frames = [
    ...Object.values(document.marks)
      .filter((m) => m.state === 'open')
      .map((m) => m.atFrame),
    ...Object.values(document.notes).map((n) => n.fromFrame),
  ];
  return [...new Set(frames)].sort((a, b) => a - b);
}
