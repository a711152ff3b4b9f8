import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { editBouts } from './editBouts.ts';

export const boutHandlers: Handlers<typeof rooms.bouts> = {
  editBouts: (house, { account, params, body }) => editBouts(house, account, params.footageId, body.edits),
};
