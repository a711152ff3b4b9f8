import type { SentFix } from '@lean-mentor/contract';
import { drawingsAtFrame, type DeskDocument } from '@lean-mentor/core/desk';
import { secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';

/** A clip plays this long before and after its moment, in seconds. */
const clipReach = 2;

/** A chosen note as it is sent: its own frame, the drawings alive on it, and the clip around it. */
export function sentFixOf(document: DeskDocument, noteId: string, position: number, table: FrameTable): SentFix | null {
  const note = document.notes[noteId];
  if (!note) return null;
  const atSeconds = secondsOfFrame(table, note.fromFrame);
  const endSeconds = note.toFrame === null ? atSeconds : secondsOfFrame(table, note.toFrame);
  return {
    position,
    note,
    drawings: drawingsAtFrame(Object.values(document.drawings), note.fromFrame),
    atFrame: note.fromFrame,
    atSeconds,
    clipFromSeconds: Math.max(table.times[0]!, atSeconds - clipReach),
    clipToSeconds: Math.min(table.endSeconds, endSeconds + clipReach),
  };
}
