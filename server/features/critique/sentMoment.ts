import type { SentFix, SentMoment } from '@lean-mentor/contract';
import { fixBlocks, momentsOf, type CritiqueDoc } from '@lean-mentor/core/critique';
import { deskOfFootage, drawingsAtFrame, type DeskDocument, type Drawing } from '@lean-mentor/core/desk';
import { secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';

/** A clip plays this long before and after its moment, in seconds. */
export const clipReach = 2;

/** Drawings that are alive on one of these frames, each once. */
const drawingsSeen = (drawings: readonly Drawing[], frames: readonly number[]): Drawing[] => {
  const alive = new Set(frames.flatMap((frame) => drawingsAtFrame(drawings, frame)));
  return drawings.filter((drawing) => alive.has(drawing));
};

/**
 * A note as it is sent: its own frame, the drawings alive on it, and the clip around it. `tables`: frame times by footage.
 * Null where the note is not there, or its footage is not ready.
 */
export function sentMomentOf(document: DeskDocument, noteId: string, tables: ReadonlyMap<string, FrameTable>): SentMoment | null {
  const note = document.notes[noteId];
  const table = note && tables.get(note.footageId);
  if (!note || !table) return null;
  const { drawings } = deskOfFootage(document, note.footageId);
  const { fork } = note;
  const atSeconds = secondsOfFrame(table, note.fromFrame);
  const endSeconds = note.toFrame === null ? atSeconds : secondsOfFrame(table, note.toFrame);
  return {
    note,
    drawings: drawingsSeen(Object.values(drawings), [note.fromFrame, ...(fork ? [fork.opensFrame] : [])]),
    atSeconds,
    // A fork is seen from before it opens.
    clipFromSeconds: Math.max(table.times[0]!, (fork ? secondsOfFrame(table, fork.opensFrame) : atSeconds) - clipReach),
    clipToSeconds: Math.min(table.endSeconds, endSeconds + clipReach),
    beside: null,
  };
}

/** Footages that moments show, each once. */
export const footagesOfMoments = (moments: readonly SentMoment[]): string[] => [
  ...new Set(moments.flatMap(({ note, beside }) => [note.footageId, ...(beside?.items ?? []).map(({ footageId }) => footageId)])),
];

/** The fixes of a critique as they are sent, in their order. */
export const sentFixesOf = (doc: CritiqueDoc): SentFix[] =>
  fixBlocks(doc).map((block, i) => ({ position: i + 1, ...block.attrs, noteIds: momentsOf(block) }));
