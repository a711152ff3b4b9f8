import { z } from 'zod';
import { sentTake } from './critiqueTake.ts';
import { takeSeconds } from './deskTake.ts';
import { id, instant, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { takeEvent } from './takeFile.ts';

/** An instant of something spoken in a critique: its place in it, and the second of what is heard. */
const spokenInstant = z.object({ place: z.int().min(0), at: takeSeconds });

/** An answer that is spoken over the footage, as it was when it was given. */
export const answerTake = sentTake.omit({ from: true, to: true, heard: true });
export type AnswerTake = z.infer<typeof answerTake>;

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
  /** In words; empty where it is only spoken, null where there is none. */
  answer: z.string().nullable(),
  answerTake: answerTake.nullable(),
  answeredBy: z.string().nullable(),
  answeredAt: instant.nullable(),
});
export type Question = z.infer<typeof question>;

/** An answer in words, where it cannot be played: what was written, else what is said in it; null where there is none. */
export function answerWords({ answer, answerTake }: Pick<Question, 'answer' | 'answerTake'>): string | null {
  if (answer !== '' || !answerTake) return answer;
  return answerTake.captions.map(({ words }) => words).join(' ') || `Spoken: ${answerTake.title}`;
}

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
  summary:
    'Answers a question in words, with a take, or both; a second answer takes the place of the first. A letter says that there is one.',
  params: z.object({ questionId: id }),
  body: z
    .object({
      words: z.string().trim().max(2000),
      /** A take on the desk of that request. */
      takeId: id.nullable().default(null),
    })
    .refine(({ words, takeId }) => words !== '' || takeId !== null, 'An answer is written, spoken, or both: this one is empty.'),
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

export const getAnswerTake = operation({
  name: 'getAnswerTake',
  room: 'critique',
  method: 'get',
  path: '/api/questions/:questionId/take',
  access: everyRole,
  summary: 'What was done on the desk while an answer was spoken; times are of what is heard.',
  params: z.object({ questionId: id }),
  response: z.object({ seconds: takeSeconds, events: z.array(takeEvent) }),
});

export const streamAnswerVoice = operation({
  name: 'streamAnswerVoice',
  room: 'critique',
  method: 'get',
  path: '/api/questions/:questionId/take/voice.m4a',
  access: everyRole,
  summary: 'The voice of an answer.',
  params: z.object({ questionId: id }),
  stream: 'audio/mp4',
});
