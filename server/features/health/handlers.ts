import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { openApiDocument } from './openApiDocument.ts';

/** The same as long as the server runs, and a second's work: it is put together when it is first asked for. */
let document: ReturnType<typeof openApiDocument> | null = null;

export const healthHandlers: Handlers<typeof rooms.health> = {
  getHealth: async () => ({ alive: true as const }),

  getReadiness: async (house, { res }) => {
    const ready = await house.db.sequelize.authenticate().then(
      () => true,
      () => false,
    );
    if (!ready) res.status(503);
    return { ready };
  },

  getDocs: async () => (document ??= openApiDocument()),
};
