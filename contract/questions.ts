import { z } from 'zod';
import { id, instant, written } from './ids.ts';
import { coaching, operation } from './operation.ts';

/** A question of the client's about a fix or a moment, or about the whole; and the coach's answer. */
export const question = z.object({
  id,
  critiqueId: id,
  fixId: id.nullable(),
  noteId: id.nullable(),
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
  summary: 'Asks about a fix, a moment or the whole. The same id again is the same question.',
  params: z.object({ critiqueId: id }),
  body: z.object({ id, fixId: id.nullable(), noteId: id.nullable(), words: written(1000) }),
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
