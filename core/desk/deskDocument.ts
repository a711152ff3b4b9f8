import type { CodedCut, CodedEvent, CodedOverride, CodedThreat, Coding } from './coding.ts';
import type { DeskTake } from './deskTake.ts';
import type { Fork } from './fork.ts';
import type { Drawing } from './drawing.ts';
import type { Measure } from './measure/measure.ts';

/** What lies on the desk for one request. Frames are of the footage each thing names; `fromFrame` inclusive, `toFrame` exclusive. */
export interface Mark {
  id: string;
  footageId: string;
  atFrame: number;
  /** Null: it stands on one frame. */
  toFrame: number | null;
  /** open: still to be looked at; noted: became a note; let-go: looked at and dropped. */
  state: 'open' | 'noted' | 'let-go';
}

export const noteKinds = ['mistake', 'missed-chance', 'good', 'question', 'caution'] as const;
export type NoteKind = (typeof noteKinds)[number];
/** What a note is about: the movement, the choice within the round, the plan, the engine, or how one behaves. */
export const noteLayers = ['technical', 'tactical', 'strategic', 'fitness', 'conduct'] as const;
export type NoteLayer = (typeof noteLayers)[number];
export const seenDegrees = ['clear', 'likely', 'hidden'] as const;
export const noteReaders = ['client', 'coach'] as const;

export interface Note {
  id: string;
  footageId: string;
  fromFrame: number;
  /** Null: the note stands on one frame. */
  toFrame: number | null;
  kind: NoteKind;
  layer: NoteLayer;
  athlete: 'client' | 'partner';
  seen: (typeof seenDegrees)[number];
  /** 1 light … 3 heavy. */
  severity: number;
  what: string;
  /** What to do instead, in order; `when` may be empty. */
  instead: { when: string; do: string }[];
  principleId: string | null;
  /** coach: the client never sees it. */
  visible: (typeof noteReaders)[number];
  /** What this one was caused by: notes, or what is coded; none is later than it. */
  causes: string[];
  /** What is coded that this one led to: events and changes of position; none is earlier than it. */
  ledTo: string[];
  /** The other half of "wrong beside right": a note of the same client, of any request. */
  pairId: string | null;
  /** A clip of the coach's own library. */
  clipId: string | null;
  comparisonId: string | null;
  /** The mark this note grew from. */
  markId: string | null;
  /** The decision before it. */
  fork: Fork | null;
}

/** A stretch of footage that was watched without a break. Both looks together tell how far the work has come. */
export interface Look {
  id: string;
  footageId: string;
  fromFrame: number;
  toFrame: number;
  during: 'first' | 'second';
}

export const comparisonLayouts = ['side', 'over'] as const;
/** A frame or a range in the compare tray; `anchorFrame` is the instant that is laid beside the others' instants. */
export interface ComparisonItem {
  requestId: string;
  footageId: string;
  fromFrame: number;
  toFrame: number | null;
  anchorFrame: number;
  mirrored: boolean;
}
export interface Comparison {
  id: string;
  name: string;
  layout: (typeof comparisonLayouts)[number];
  items: ComparisonItem[];
}

/** A principle of the coach's book, as far as the desk needs it. It belongs to the book, not to one request. */
export interface Principle {
  id: string;
  name: string;
}

/** Two people changed the same: what stands, and what was set aside for it. Made where the changes meet. */
export interface Conflict {
  id: string;
  /** Kind and id of what was changed. */
  of: DeskEntity;
  thingId: string;
  /** Null: one took it away while the other changed it; it stays. */
  field: string | null;
  stands: unknown;
  aside: unknown;
  standsBy: string;
  asideBy: string;
}

/** Every kind of thing on a desk and what it is made of. */
export interface DeskItems {
  mark: Mark;
  note: Note;
  drawing: Drawing;
  measure: Measure;
  comparison: Comparison;
  look: Look;
  principle: Principle;
  conflict: Conflict;
  coding: Coding;
  cut: CodedCut;
  event: CodedEvent;
  threat: CodedThreat;
  override: CodedOverride;
  take: DeskTake;
}
export type DeskEntity = keyof DeskItems;
export type DeskItem<E extends DeskEntity> = DeskItems[E];

/**
 * The kinds of things on a desk. `shelf`: on which of the document's shelves they lie; `onFootage`: whether each names the footage it
 * stands on, so that it is shown with that footage alone. A new kind is an entry here; the compiler then asks for its schema
 * (contract/desk.ts) and its rules (server/features/desk/deskKinds.ts).
 */
export const deskKinds = {
  mark: { shelf: 'marks', onFootage: true },
  note: { shelf: 'notes', onFootage: true },
  drawing: { shelf: 'drawings', onFootage: true },
  measure: { shelf: 'measures', onFootage: true },
  comparison: { shelf: 'comparisons', onFootage: false },
  look: { shelf: 'looks', onFootage: true },
  principle: { shelf: 'principles', onFootage: false },
  conflict: { shelf: 'conflicts', onFootage: false },
  coding: { shelf: 'codings', onFootage: true },
  cut: { shelf: 'cuts', onFootage: true },
  event: { shelf: 'events', onFootage: true },
  threat: { shelf: 'threats', onFootage: true },
  override: { shelf: 'overrides', onFootage: true },
  take: { shelf: 'takes', onFootage: true },
} as const satisfies { [E in DeskEntity]: { shelf: string; onFootage: DeskItems[E] extends { footageId: string } ? true : false } };

export const deskEntities = Object.keys(deskKinds) as DeskEntity[];

/** What lies on the desk of one request, shelf by shelf, each thing under its id. */
export type DeskDocument = { [E in DeskEntity as (typeof deskKinds)[E]['shelf']]: Record<string, DeskItems[E]> };

/** The things of a kind as they lie on a desk. */
export const itemsOf = <E extends DeskEntity>(document: DeskDocument, entity: E): Record<string, DeskItems[E]> =>
  document[deskKinds[entity].shelf] as Record<string, DeskItems[E]>;

/** A desk whose things of each kind are those that `things` gives. */
export const deskOf = (things: (entity: DeskEntity) => Record<string, unknown>): DeskDocument =>
  Object.fromEntries(deskEntities.map((entity) => [deskKinds[entity].shelf, things(entity)])) as unknown as DeskDocument;

export const emptyDesk = (): DeskDocument => deskOf(() => ({}));

/** Of a shelf what stands on one footage. */
export const ofFootage = <T extends { footageId: string }>(things: Record<string, T>, footageId: string): Record<string, T> =>
  Object.fromEntries(Object.entries(things).filter(([, thing]) => thing.footageId === footageId));

/** What of a desk stands on one footage; what belongs to none stays as it is. */
export const deskOfFootage = (document: DeskDocument, footageId: string): DeskDocument =>
  deskOf((entity) => {
    const things = itemsOf(document, entity);
    return deskKinds[entity].onFootage ? ofFootage(things as Record<string, { footageId: string }>, footageId) : things;
  });

/** Drawings alive on a frame, in the order given (of a document: object order, which is the order they were made in). */
export const drawingsAtFrame = <D extends Pick<Drawing, 'fromFrame' | 'toFrame'>>(drawings: readonly D[], frame: number): D[] =>
  drawings.filter((d) => d.fromFrame <= frame && frame < d.toFrame);

/** Marks and notes of one footage as stops for "previous / next", ascending, one per frame. */
export function stopsOf(document: Pick<DeskDocument, 'marks' | 'notes'>): number[] {
  const frames = [
    ...Object.values(document.marks)
      .filter((m) => m.state === 'open')
      .map((m) => m.atFrame),
    ...Object.values(document.notes).map((n) => n.fromFrame),
  ];
  return [...new Set(frames)].sort((a, b) => a - b);
}
