import { partnerLevels, workStates } from '@lean-mentor/core/work';
import { z } from 'zod';
import { done, id, instant, written } from './ids.ts';
import { coaching, everyRole, operation } from './operation.ts';
import { attires } from './requests.ts';
import { zone } from './workingHours.ts';
import { part } from './care.ts';
import { day, pain, workSession, workTerms } from './workTerms.ts';

/** How often, when and with what a client trains, as far as their work is concerned. */
export const training = z.object({
  /** Weekdays, 1 Monday to 7 Sunday; none: any day. */
  days: z.array(z.int().min(1).max(7)).max(7),
  zone,
  equipment: z.string().trim().max(300),
  attire: z.enum(attires).nullable(),
  /** Whether they are written to in the morning of a day with work. */
  remind: z.boolean(),
  /** Ill, injured, away: nothing is asked for, and nothing counts as missed. Newest last; no end: until they say so. */
  breaks: z.array(z.object({ fromOn: day, untilOn: day.nullable(), why: z.enum(['ill', 'injured', 'away']) })).max(60),
});
export type Training = z.infer<typeof training>;

const verdict = z.enum(['better', 'worse', 'about-the-same', 'too-little']);
/** What an exact test says. Ends that are open are null. */
const told = z.object({
  verdict,
  ratio: z.number().nullable(),
  interval: z.tuple([z.number(), z.number().nullable()]).nullable(),
  pOneSided: z.number().nullable(),
});
export type Told = z.infer<typeof told>;
const counted = z.union([z.object({ successes: z.int(), chances: z.int() }), z.object({ mistakes: z.int(), minutes: z.number() })]);
const shares = z.object({ successes: z.int(), chances: z.int() });

/** Retests of one start, place and level of partner, oldest first, and what they say together; null below two. */
const retests = z.object({
  place: z.enum(['own', 'other']),
  level: z.enum(partnerLevels),
  tests: z.array(z.object({ sessionId: id, doneOn: day, counted })),
  /** `of`: so many of the last tests are looked at together. `level`: a p up to it is told from chance. */
  trend: told
    .extend({ of: z.int(), level: z.number(), neededMinutes: z.number().nullable(), neededChances: z.number().nullable() })
    .nullable(),
});
export type Retests = z.infer<typeof retests>;
/** The same, with what it was counted in. */
export const practised = retests.extend({ workId: id, name: z.string() });
export type Practised = z.infer<typeof practised>;

const doneWork = workSession.extend({
  enteredAt: instant,
  /** When somebody of the coaching side looked at it. */
  seenAt: instant.nullable(),
  requestId: id.nullable(),
  /** Before the advice against after it, on this day. */
  within: told
    .extend({ order: z.enum(['one-way', 'balanced', 'mixed']), moreNeeded: z.object({ before: z.number(), after: z.number() }).nullable() })
    .nullable(),
  earlyLate: z.object({ early: shares, late: shares, p: z.number() }).nullable(),
});
export type DoneWork = z.infer<typeof doneWork>;

const stopped = part.extend({ fromOn: day, untilOn: day.nullable() });

export const clientWork = z.object({
  id,
  principleId: id.nullable(),
  principleName: z.string().nullable(),
  requestId: id.nullable(),
  terms: workTerms,
  fromOn: day,
  givenBy: z.string(),
  givenAt: instant,
  endedOn: day.nullable(),
  endedWhy: z.enum(['coach', 'holds']).nullable(),
  endedWords: z.string(),
  revision: z.int(),
  state: z.enum(workStates),
  stoppedBy: z.array(stopped),
  /** The days ahead, soonest first, at most twelve. */
  dates: z.array(day),
  /** Clips of the coach's own that go with it. */
  clips: z.array(z.object({ id, title: z.string(), seconds: z.number().nullable() })),
  done: z.array(doneWork),
  retests: z.array(retests),
});
export type ClientWork = z.infer<typeof clientWork>;

export const painFlag = pain.extend({
  id,
  raisedOn: day,
  /** When the two had spoken; null: work that loads it rests. */
  settledAt: instant.nullable(),
  settledBy: z.string().nullable(),
  settledWords: z.string(),
});
export type PainFlag = z.infer<typeof painFlag>;

const room = { room: 'work' } as const;
const ofClient = z.object({ clientId: id });
const ofWork = z.object({ clientId: id, workId: id });

export const getClientWork = operation({
  ...room,
  name: 'getClientWork',
  method: 'get',
  path: '/api/clients/:clientId/work',
  access: everyRole,
  about: ['work', 'book'],
  summary: "A client's work, newest first, with what was done of it and what the retests say; how they train; where they told of pain.",
  params: ofClient,
  response: z.object({ today: day, training, work: z.array(clientWork), pains: z.array(painFlag) }),
});

export const proposeWork = operation({
  ...room,
  name: 'proposeWork',
  method: 'get',
  path: '/api/clients/:clientId/work-proposals/:principleId',
  access: coaching,
  about: ['work', 'book', 'client'],
  summary: 'Work for a fix, out of the book and for this client: what spares what hurts first.',
  params: z.object({ clientId: id, principleId: id }),
  response: z.object({ proposals: z.array(z.object({ terms: workTerms, minds: z.array(z.string()) })) }),
});

export const giveWork = operation({
  ...room,
  name: 'giveWork',
  method: 'put',
  path: '/api/clients/:clientId/work/:workId',
  access: coaching,
  about: ['work', 'letter'],
  summary:
    'Gives work, or changes it. What makes its tests comparable does not change once it was done. Refused: what is restricted for a minor; what loads a part that hurts, without a reason.',
  params: ofWork,
  body: z.object({
    /** 0: it is new. */
    revision: z.int().min(0),
    principleId: id.nullable(),
    requestId: id.nullable(),
    terms: workTerms,
    fromOn: day,
    /** Why it is given although it loads what hurts; empty where it does not. */
    care: z.string().trim().max(300),
  }),
  response: z.object({ revision: z.int() }),
});

export const endWork = operation({
  ...room,
  name: 'endWork',
  method: 'post',
  path: '/api/clients/:clientId/work/:workId/end',
  access: coaching,
  about: ['work'],
  summary: 'Ends work from today on, with a word for the client, or takes that back. What was done of it stays.',
  params: ofWork,
  body: z.object({ ended: z.boolean(), words: z.string().trim().max(300) }),
  response: done,
});

export const logWork = operation({
  ...room,
  name: 'logWork',
  method: 'put',
  path: '/api/clients/:clientId/work/:workId/done/:doneWorkId',
  access: ['client', 'guardian'],
  about: ['work', 'letter'],
  limits: { bytes: 512 * 1024, values: 20_000 },
  summary:
    'Work that was done: how often which end came, how it felt, what hurt. Sent again under the same id it takes the place of what was sent before. Pain stops what loads the part, until coach and client have spoken.',
  params: ofWork.extend({ doneWorkId: id }),
  body: workSession.omit({ id: true }),
  response: z.object({ pains: z.array(painFlag) }),
});

export const removeDoneWork = operation({
  ...room,
  name: 'removeDoneWork',
  method: 'delete',
  path: '/api/clients/:clientId/work/:workId/done/:doneWorkId',
  access: ['client', 'guardian'],
  evenWithoutRoom: true,
  about: ['work'],
  summary: 'Takes back what was entered by mistake. Pain that was told stays told.',
  params: ofWork.extend({ doneWorkId: id }),
  response: done,
});

export const sendRound = operation({
  ...room,
  name: 'sendRound',
  method: 'post',
  path: '/api/clients/:clientId/work/:workId/done/:doneWorkId/footage',
  access: ['client', 'guardian'],
  about: ['work', 'request'],
  summary:
    'Begins to send footage of a positional round that was done: start, sides and counts are known already. Asked again it is the same draft.',
  params: ofWork.extend({ doneWorkId: id }),
  response: z.object({ requestId: id }),
});

export const setTraining = operation({
  ...room,
  name: 'setTraining',
  method: 'put',
  path: '/api/clients/:clientId/training',
  access: everyRole,
  about: ['work'],
  summary: 'On which days a client trains, where, with what, and when they pause.',
  params: ofClient,
  body: training,
  response: done,
});

export const settlePain = operation({
  ...room,
  name: 'settlePain',
  method: 'post',
  path: '/api/clients/:clientId/pains/:painId/settle',
  access: coaching,
  about: ['work', 'letter'],
  summary: 'Coach and client have spoken about a pain: what loads the part may be done again. What was agreed is kept and written to them.',
  params: z.object({ clientId: id, painId: id }),
  body: z.object({ words: written(300) }),
  response: done,
});

export const seeWork = operation({
  ...room,
  name: 'seeWork',
  method: 'post',
  path: '/api/clients/:clientId/work-seen',
  access: coaching,
  about: ['work'],
  summary: 'What a client has done so far has been looked at.',
  params: ofClient,
  response: done,
});

/** A client's week of work in one row. */
const weekRow = z.object({
  clientId: id,
  clientName: z.string(),
  workId: id,
  name: z.string(),
  principleName: z.string().nullable(),
  state: z.enum(workStates),
  stoppedBy: z.array(part),
  /** Days of this week on which it was to be done, of those ahead; and those on which it was. */
  due: z.array(day),
  done: z.array(z.object({ id, doneOn: day, felt: z.int().nullable(), line: z.string(), counted: z.array(counted) })),
  /** How often it was done in all. */
  times: z.int(),
  /** Of the retests with most tests; null: none yet. */
  verdict: verdict.nullable(),
  /** Why somebody should look: it was missed, it hurts, or it does not move. */
  stuck: z.string(),
});
export type WorkWeekRow = z.infer<typeof weekRow>;

export const getWorkWeek = operation({
  ...room,
  name: 'getWorkWeek',
  method: 'get',
  path: '/api/work-weeks/:onDay',
  access: coaching,
  about: ['work', 'book', 'client'],
  summary: 'The week in which a day lies, Monday to Sunday: who works on what, what was done, who is stuck. Those who are stuck first.',
  params: z.object({ onDay: day }),
  response: z.object({ fromOn: day, untilOn: day, rows: z.array(weekRow) }),
});

export const getWorkToSee = operation({
  ...room,
  name: 'getWorkToSee',
  method: 'get',
  path: '/api/work-to-see',
  access: coaching,
  about: ['work', 'client'],
  summary: 'Pains that nobody has spoken about, and clients who did work nobody has looked at, with what their retests say.',
  response: z.object({
    pains: z.array(painFlag.extend({ clientId: id, clientName: z.string() })),
    clients: z.array(
      z.object({
        clientId: id,
        clientName: z.string(),
        times: z.int(),
        lastOn: day,
        retests: z.array(z.object({ name: z.string(), verdict })),
      }),
    ),
  }),
});

export const getWorkCalendar = operation({
  ...room,
  name: 'getWorkCalendar',
  method: 'get',
  path: '/api/clients/:clientId/work.ics',
  access: everyRole,
  summary: 'The days ahead with work as iCalendar (RFC 5545), whole days.',
  params: ofClient,
  stream: 'text/calendar',
});

export const streamWorkClip = operation({
  ...room,
  name: 'streamWorkClip',
  method: 'get',
  path: '/api/clients/:clientId/work-clips/:clipId/video',
  access: everyRole,
  summary: "A clip of the coach's own that goes with a client's work, whole or the range that is asked for.",
  params: z.object({ clientId: id, clipId: id }),
  stream: 'video/mp4',
});
