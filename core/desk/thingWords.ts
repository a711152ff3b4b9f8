import { eventWords, placeWords, sideNames } from '../scoring/index.ts';
import { frameEventOf } from './coding.ts';
import type { DeskDocument } from './deskDocument.ts';

/** What something that can be linked is called for a person; empty where it is gone. */
export function thingWords({ notes, events, cuts }: Pick<DeskDocument, 'notes' | 'events' | 'cuts'>, id: string): string {
  const [note, event, cut] = [notes[id], events[id], cuts[id]];
  if (note) return note.what || 'Nothing written yet';
  const happened = event && frameEventOf(event);
  if (happened) return eventWords(happened);
  return cut ? placeWords(cut, sideNames) : '';
}
