import type { DeskDocument } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { format } from 'date-fns';
import type { House } from '../../house/house.ts';
import { findDeskDocument } from '../desk/index.ts';
import { knownFrameTable } from '../footage/index.ts';
import { findRequest } from '../requests/index.ts';
import { findNotesOfClient } from './repository.ts';

/** Where a note of another request lies: its desk, the frame times of its footage that is ready, and the day it was sent on. */
export interface NoteElsewhere {
  document: DeskDocument;
  tables: ReadonlyMap<string, FrameTable>;
  filmed: string;
}

async function deskElsewhere(house: House, requestId: string): Promise<NoteElsewhere | null> {
  const [request, document] = await Promise.all([findRequest(house, requestId), findDeskDocument(house, requestId)]);
  if (!request) return null;
  const ready = request.footages.filter(({ state }) => state === 'ready');
  const tables = await Promise.all(ready.map(async ({ id }) => [id, await knownFrameTable(house, id)] as const));
  return {
    document,
    tables: new Map(tables.flatMap(([id, table]) => (table ? [[id, table]] : []))),
    filmed: format(request.sentAt, 'd MMMM yyyy'),
  };
}

/** Those of these notes that are of other requests of the same client, by id; a stranger's note is not found. */
export async function notesElsewhere(
  house: House,
  { client, document }: { client: { id: string }; document: DeskDocument },
  noteIds: readonly string[],
): Promise<ReadonlyMap<string, NoteElsewhere>> {
  const away = noteIds.filter((id) => !document.notes[id]);
  const places = away.length > 0 ? await findNotesOfClient(house, client.id, away) : [];
  const desks = new Map(
    await Promise.all(
      [...new Set(places.map(({ requestId }) => requestId))].map(async (id) => [id, await deskElsewhere(house, id)] as const),
    ),
  );
  return new Map(
    places.flatMap(({ id, requestId }) => {
      const desk = desks.get(requestId);
      return desk ? [[id, desk]] : [];
    }),
  );
}
