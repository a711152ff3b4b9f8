import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import { z } from 'zod';
import { bookFile, drillWords, principleWords } from './bookFile.ts';
import { done, id } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { sameAs } from './sameAs.ts';

const ids = z.array(id).max(60).default([]);

/** An entry of the coach's book as it is stored: what it points at is named by id. */
export const bookPrinciple = sameAs<BookPrinciple>()(principleWords.extend({ id, prerequisites: ids, drillIds: ids, clipIds: ids }));
export const bookDrill = sameAs<BookDrill>()(drillWords.extend({ id }));

export const getBook = operation({
  name: 'getBook',
  room: 'book',
  method: 'get',
  path: '/api/book',
  access: coaching,
  about: ['book'],
  summary: 'The whole book: principles with how many notes name each, and drills, by name.',
  response: z.object({
    principles: z.array(bookPrinciple.extend({ notes: z.int() })),
    drills: z.array(bookDrill),
  }),
});

export const saveBookPrinciple = operation({
  name: 'saveBookPrinciple',
  room: 'book',
  method: 'put',
  path: '/api/book/principles/:principleId',
  access: ['coach'],
  about: ['book'],
  summary: 'Keeps a principle, new or changed. Refused in words where the book would not be sound: circles, doubled names, long cues.',
  params: z.object({ principleId: id }),
  body: bookPrinciple.omit({ id: true }),
  response: bookPrinciple,
});

export const removeBookPrinciple = operation({
  name: 'removeBookPrinciple',
  room: 'book',
  method: 'delete',
  path: '/api/book/principles/:principleId',
  access: ['coach'],
  about: ['book'],
  summary: 'Takes a principle away. One that notes name is refused: merge it into another.',
  params: z.object({ principleId: id }),
  response: done,
});

export const mergeBookPrinciples = operation({
  name: 'mergeBookPrinciples',
  room: 'book',
  method: 'post',
  path: '/api/book/principles/:principleId/merge',
  access: ['coach'],
  about: ['book', 'ladder'],
  summary: 'Makes one principle of two, for good: everything that named the first names the other, and the first is gone.',
  params: z.object({ principleId: id }),
  body: z.object({ intoId: id }),
  response: z.object({ done: z.literal(true), notes: z.int() }),
});

export const saveBookDrill = operation({
  name: 'saveBookDrill',
  room: 'book',
  method: 'put',
  path: '/api/book/drills/:drillId',
  access: ['coach'],
  about: ['book'],
  summary: 'Keeps a drill, new or changed.',
  params: z.object({ drillId: id }),
  body: bookDrill.omit({ id: true }),
  response: bookDrill,
});

export const removeBookDrill = operation({
  name: 'removeBookDrill',
  room: 'book',
  method: 'delete',
  path: '/api/book/drills/:drillId',
  access: ['coach'],
  about: ['book'],
  summary: 'Takes a drill away; principles that named it name it no longer.',
  params: z.object({ drillId: id }),
  response: done,
});

export const importBook = operation({
  name: 'importBook',
  room: 'book',
  method: 'post',
  path: '/api/book/import',
  access: ['coach'],
  limits: { bytes: 4 * 1024 ** 2, values: 200_000 },
  about: ['book'],
  summary: 'Takes a book in, all or nothing: entries of the same name are replaced, the others are new.',
  body: bookFile,
  response: z.object({ added: z.int(), changed: z.int(), missingClips: z.array(z.string()) }),
});

export const addStarterBook = operation({
  name: 'addStarterBook',
  room: 'book',
  method: 'post',
  path: '/api/book/starter',
  access: ['coach'],
  about: ['book'],
  summary:
    'Adds what the book lacks of the starter book; what has a name already gets only what it does not say yet of loads and of ways that spare.',
  response: z.object({ added: z.int() }),
});
