import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import * as repository from './repository.ts';

export const letterHandlers: Handlers<typeof rooms.letters> = {
  listLetters: async (house) => ({
    letters: await repository.listLetters(house),
  }),
};
