import { z } from 'zod';
import { takeSeconds } from './deskTake.ts';
import { id, instant, written } from './ids.ts';
import { coaching, operation } from './operation.ts';

/** An instant of something spoken in a critique: its place in it, and the second of what is heard. */
const spokenInstant = z.object({ place: z.int().min(0), at: takeSeconds });

/** A question of the client's about a fix, a moment, an instant of what was spoken, or about the whole; and the coach's answer. */
export const question = z.object({
  id,
  critiqueId: id,
  fixId: id.nullable(),
  noteId: id.nullable(),
  /** About an instant of what was spoken in that version. */
  spoken: spokenInstant.extend({ version: z.int() }).nullable(),
  words: z.string(),
  askedBy: z.string(),
  askedAt: instant,
  answer: z.string().nullable(),
  answeredBy: z.string().nullable(),
  answeredAt: instant.nullable(),
});
export type Question = z.infer<typeof question>;

export const askQuestion = operation({
  name: 'askQuestion',
  room: 'critique',
  method: 'post',
  path: '/api/critiques/:critiqueId/questions',
  access: ['client', 'guardian'],
  about: ['critique', 'question'],
  summary: 'Asks about a fix, a moment, an instant of what was spoken, or the whole. The same id again is the same question.',
  params: z.object({ critiqueId: id }),
  body: z.object({ id, fixId: id.nullable(), noteId: id.nullable(), spoken: spokenInstant.nullable().default(null), words: written(1000) }),
  response: question,
});

export const answerQuestion = operation({
  name: 'answerQuestion',
  room: 'critique',
  method: 'put',
  path: '/api/questions/:questionId/answer',
  access: ['coach'],
  about: ['critique', 'question', 'letter'],
  summary: 'Answers a question; a second answer takes the place of the first. A letter says that there is one.',
  params: z.object({ questionId: id }),
  body: z.object({ words: written(2000) }),
  response: question,
});

export const listOpenQuestions = operation({
  name: 'listOpenQuestions',
  room: 'critique',
  method: 'get',
  path: '/api/questions',
  access: coaching,
  about: ['question'],
  summary: 'Questions without an answer, oldest first.',
  response: z.object({ questions: z.array(question.extend({ clientName: z.string(), fixName: z.string().nullable() })) }),
});
