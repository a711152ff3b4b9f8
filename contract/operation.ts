import type { z } from 'zod';

export const everyRole = ['coach', 'assistant', 'client', 'guardian'] as const;
export type Role = (typeof everyRole)[number];

/** Who may call: anyone at all, or signed-in people of these roles. Whose things they see is checked by the service. */
export type Access = 'anyone' | readonly [Role, ...Role[]];

export const coaching = ['coach', 'assistant'] as const;

/** What an answer tells of, and what a change changes: what is about the same is read again after it. */
export const subjects = [
  'book',
  'calendar-link',
  'client',
  'clip',
  'critique',
  'draft',
  'hand-over',
  'ladder',
  'letter',
  'letter-words',
  'link',
  'money',
  'own-session',
  'person',
  'position-worth',
  'practice',
  'question',
  'request',
  'retention',
  'rights',
  'rule-sheet',
  'second-factor',
  'session',
  'take',
  'film',
  'work',
] as const;
export type Subject = (typeof subjects)[number];

/** One thing that can be asked of the server. It keeps its name on every floor. `path` uses Express's `:name` form. */
export interface Operation {
  name: string;
  room: string;
  method: 'get' | 'post' | 'put' | 'patch' | 'delete' | 'head' | 'options';
  path: string;
  access: Access;
  summary: string;
  /** Of a read: what is in its answer. Of a change: what is not as it was. */
  about?: readonly Subject[];
  params?: z.ZodType;
  body?: z.ZodType;
  /** Where its body may be larger than 64 KB (`bytes`) or hold more than 8,000 values; the server says so in `readBody`. */
  limits?: { bytes: number; values: number };
  /** Set where a change keeps nothing more than before, or frees room: it is taken also while the disk is full. */
  evenWithoutRoom?: true;
  /** Schema of the JSON answer; operations that answer with bytes or a stream name their media type instead. */
  response?: z.ZodType;
  stream?: string;
}

/** Keeps the precise type of an operation's schemas. */
export const operation = <const O extends Operation>(o: O): O => o;

export type ParamsOf<O extends Operation> = O extends { params: infer S extends z.ZodType } ? z.output<S> : Record<string, never>;
export type BodyOf<O extends Operation> = O extends { body: infer S extends z.ZodType } ? z.output<S> : undefined;
export type ResponseOf<O extends Operation> = O extends { response: infer S extends z.ZodType } ? z.output<S> : never;
