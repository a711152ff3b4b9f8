import * as access from './access.ts';
import * as book from './book.ts';
import * as bookEntries from './bookEntries.ts';
import * as clients from './clients.ts';
import * as critique from './critique.ts';
import * as critiqueWriting from './critiqueWriting.ts';
import * as desk from './desk.ts';
import * as fixes from './fixes.ts';
import * as footage from './footage.ts';
import * as health from './health.ts';
import * as letters from './letters.ts';
import * as noteFiles from './noteFiles.ts';
import type { Operation } from './operation.ts';
import * as queue from './queue.ts';
import * as questions from './questions.ts';
import * as readLinks from './readLinks.ts';
import * as requests from './requests.ts';
import * as scoring from './scoring.ts';

export * from './access.ts';
export * from './book.ts';
export * from './bookEntries.ts';
export * from './bookFile.ts';
export * from './bookMarkdown.ts';
export * from './boutCsv.ts';
export * from './boutFile.ts';
export * from './chaptersVtt.ts';
export * from './clients.ts';
export * from './critique.ts';
export * from './critiqueDoc.ts';
export * from './critiqueFile.ts';
export * from './critiqueWriting.ts';
export * from './desk.ts';
export * from './errors.ts';
export * from './fixes.ts';
export * from './footage.ts';
export * from './health.ts';
export * from './letters.ts';
export * from './noteFiles.ts';
export * from './notesFile.ts';
export * from './operation.ts';
export * from './practiceFile.ts';
export * from './progressFile.ts';
export * from './queue.ts';
export * from './questions.ts';
export * from './rankFile.ts';
export * from './readLinks.ts';
export * from './readBoutFile.ts';
export * from './requests.ts';
export * from './scoring.ts';
export * from './wellFormed.ts';
export * from './writeBoutFile.ts';

const isOperation = (thing: unknown): thing is Operation =>
  typeof thing === 'object' && thing !== null && 'room' in thing && 'path' in thing && 'method' in thing;

/** Every operation of the contract, room by room. */
export const operations: readonly Operation[] = [
  access,
  clients,
  requests,
  footage,
  queue,
  desk,
  scoring,
  book,
  bookEntries,
  fixes,
  critique,
  critiqueWriting,
  questions,
  readLinks,
  noteFiles,
  letters,
  health,
].flatMap((room) => Object.values(room).filter(isOperation));
