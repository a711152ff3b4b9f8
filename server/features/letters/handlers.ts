import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { lettersFor } from './service.ts';

export const letterHandlers: Handlers<typeof rooms.letters> = {
  listLetters: async (house, { account }) => ({ letters: await lettersFor(house, account) }),
};
