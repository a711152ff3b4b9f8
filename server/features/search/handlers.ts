import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { searchWords } from './searchWords.ts';

export const searchHandlers: Handlers<typeof rooms.search> = {
  searchWords: (house, { body }) => searchWords(house, body),
};
