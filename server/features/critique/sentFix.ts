import type { SentFix } from '@lean-mentor/contract';
import { deskOfFootage, drawingsAtFrame, type DeskDocument } from '@lean-mentor/core/desk';
import { secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';

/** A clip plays this long before and after its moment, in seconds. */
const clipReach = 2;

/**
 * A chosen note as it is sent: its own frame, the drawings alive on it, and the clip around it. `tables`: frame times by footage.
 * Null where the note is not there, or its footage is not ready.
 */
export function sentFixOf(
  document: DeskDocument,
  noteId: string,
  position: number,
  tables: ReadonlyMap<string, FrameTable>,
): SentFix | null {
  const note = document.notes[noteId];
  const table = note && tables.get(note.footageId);
  if (!note || !table) return null;
  const { drawings } = deskOfFootage(document, note.footageId);
  const atSeconds = secondsOfFrame(table, note.fromFrame);
  const endSeconds = note.toFrame === null ? atSeconds : secondsOfFrame(table, note.toFrame);
  return {
    position,
    note,
    drawings: drawingsAtFrame(Object.values(drawings), note.fromFrame),
    atFrame: note.fromFrame,
    atSeconds,
    clipFromSeconds: Math.max(table.times[0]!, atSeconds - clipReach),
    clipToSeconds: Math.min(table.endSeconds, endSeconds + clipReach),
  };
}
