import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { findAccountRow } from '../access/index.ts';
import { findLettersOf, findLetterWords, markLettersRead } from './repository.ts';
import { lettersFor, sendLetterAgain } from './service.ts';
import { setLettersBy, setOwnLetters, stopLetters } from './stopping.ts';
import { setLetterWords } from './words.ts';

const done = { done: true } as const;

export const letterHandlers: Handlers<typeof rooms.letters> = {
  listLetters: async (house, { account }) => ({ letters: await lettersFor(house, account), leave: house.config.mail !== null }),

  sendLetterAgain: async (house, { params }) => {
    await sendLetterAgain(house, params.letterId);
    return done;
  },

  getLetterWords: (house) => findLetterWords(house),

  setLetterWords: async (house, { params, body }) => {
    await setLetterWords(house, params.kind, body);
    return done;
  },

  setLettersBy: async (house, { params, body }) => {
    await setLettersBy(house, params.accountId, body.by);
    return done;
  },

  listOwnLetters: async (house, { account }) => {
    const [letters, row] = await Promise.all([findLettersOf(house, account.id), findAccountRow(house, account.id)]);
    return { letters, by: row?.lettersBy ?? 'letter' };
  },

  readOwnLetters: async (house, { account }) => {
    await markLettersRead(house, account.id);
    return done;
  },

  setOwnLetters: async (house, { account, body }) => {
    await setOwnLetters(house, account.id, body.by);
    return done;
  },

  stopLetters: async (house, { params }) => {
    await stopLetters(house, params.accountId, params.signature);
    return done;
  },
};
