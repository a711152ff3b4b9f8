import { notesCsv } from '@lean-mentor/contract';
import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { countNameUses } from './repository.ts';
import * as noteFiles from './noteFiles.ts';
import * as service from './service.ts';
import * as stills from './stills.ts';

/** What lies on the desk changes: a still is made anew each time. */
const fresh = 'private, no-store';

export const deskHandlers: Handlers<typeof rooms.desk> = {
  getNameUses: async (house) => ({ uses: await countNameUses(house) }),

  openDesk: (house, { params }) => service.openDesk(house, params.requestId),

  saveDeskChanges: (house, { account, params, body }) => service.saveDeskChanges(house, account, params.requestId, body),

  getClientNotes: (house, { params }) => service.getClientNotes(house, params.requestId),

  getDeskStillPng: async (house, { account, params, res }) => {
    const still = await house.turns.run(account.id, () => stills.getDeskStillPng(house, params));
    res.set('Cache-Control', fresh).type('image/png').send(still);
  },

  getDeskStillSvg: async (house, { account, params, res }) => {
    const still = await house.turns.run(account.id, () => stills.getDeskStillSvg(house, params));
    res.set('Cache-Control', fresh).type('image/svg+xml').send(still);
  },

  exportNotes: async (house, { params, res }) => {
    const file = await noteFiles.exportNotes(house, params.requestId);
    res.set('Cache-Control', fresh).attachment(`notes.${params.as}`);
    if (params.as === 'csv') res.type('text/csv; charset=utf-8').send(notesCsv(file.notes));
    else res.type('application/json').send(`${JSON.stringify(file, null, 2)}\n`);
  },

  importNotes: (house, { account, params, body }) => noteFiles.importNotes(house, account, params.requestId, body),
};
