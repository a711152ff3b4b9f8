import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { lettersFor, sendLetterAgain } from './service.ts';

export const letterHandlers: Handlers<typeof rooms.letters> = {
  listLetters: async (house, { account }) => ({ letters: await lettersFor(house, account), leave: house.config.mail !== null }),

  sendLetterAgain: async (house, { params }) => {
    await sendLetterAgain(house, params.letterId);
    return { done: true } as const;
  },
};
