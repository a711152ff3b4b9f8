import { mostFixes, rankParts, schoolNames, warningKinds, type OwnHarm, type RankInput } from '@lean-mentor/core/fixes';
import { z } from 'zod';
import { frame, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { ruleSheet } from './ruleSheet.ts';
import { sameAs } from './sameAs.ts';

const ids = z.array(id).max(300);

/** What the coach decided on the ladder of a request. Candidates are named by their principle, or by the note where it names none. */
export const fixChoice = z.object({
  school: z.enum([...schoolNames, 'own']),
  order: ids.nullable(),
  cut: z.int().min(0).max(mostFixes),
  /** Why the order is not the computed one. */
  reason: z.string().max(600),
  pinned: ids,
  parked: ids,
  /** Null: guessed from the words of the question. */
  asked: ids.nullable(),
  gamePlan: ids,
  /** To what the client asked, in the coach's words. */
  answer: z.string().max(2000),
  /** A clash that is accepted, and why. */
  overrides: z.array(z.object({ principleId: id, kind: z.enum(warningKinds), reason: z.string().trim().min(1).max(300) })).max(60),
});
export type RequestFixChoice = z.infer<typeof fixChoice>;

/** The coach's own way of weighing. */
export const ownSchool = z.object({
  weights: z.record(z.enum(rankParts), z.number().min(0).max(1)),
  share: z.number().min(0).max(1),
  missedChance: z.number().min(0.5).max(3),
});
export type OwnSchool = z.infer<typeof ownSchool>;

const harm = sameAs<OwnHarm>()(
  z.object({
    harm: z.number(),
    finish: z.boolean(),
    points: z.number(),
    near: z.number(),
    forgone: z.number(),
    leanDrop: z.number(),
    called: z.boolean(),
  }),
);
const link = { id: z.string(), ownHarm: z.number(), causes: z.array(z.string()), atSeconds: z.number() };
const rankInput = sameAs<RankInput>()(
  z.object({
    client: z.object({ level: z.int(), asked: ids, gamePlan: ids }),
    principles: z.array(z.object({ id, level: z.int(), prerequisites: z.array(id) })),
    notes: z.array(
      z.object({
        ...link,
        principle: z.string().nullable(),
        kind: z.enum(['mistake', 'missed-chance', 'good', 'question', 'caution']),
        seen: z.enum(['clear', 'likely', 'hidden']),
        safety: z.boolean().optional(),
      }),
    ),
    events: z.array(z.object(link)),
    exposureMinutes: z.record(z.string(), z.number()),
    boutMinutes: z.number(),
    history: z.array(ids),
  }),
);

const byRequest = z.object({ requestId: id });

export const getLadder = operation({
  name: 'getLadder',
  room: 'fixes',
  method: 'get',
  path: '/api/requests/:requestId/ladder',
  access: coaching,
  about: ['ladder'],
  summary: 'What the fixes of a request are ranked from, what was decided so far, and what was given before.',
  params: byRequest,
  response: z.object({
    input: rankInput,
    harms: z.record(z.string(), harm),
    /** Conceded with no note before it: frames of the footage. */
    unexplained: z.array(z.object({ footageId: id, atFrame: z.int(), points: z.number(), finish: z.boolean() })),
    /** Principles that the question seems to be about. */
    guessedAsked: z.array(z.object({ principleId: id, words: z.array(z.string()) })),
    given: z.record(z.string(), z.object({ times: z.int(), better: z.boolean() })),
    /** Set aside in an earlier request of this client. */
    parkedBefore: ids,
    /** Sheet by which what is restricted is judged. */
    sheet: ruleSheet,
    choice: fixChoice,
    ownSchool,
    /** Orders of critiques sent so far: what each school would have said, and what went out. */
    agreement: z.object({
      sent: z.int(),
      bySchool: z.record(z.string(), z.object({ first: z.int(), among: z.int(), of: z.int() })),
    }),
  }),
});

export const listDoubts = operation({
  name: 'listDoubts',
  room: 'fixes',
  method: 'get',
  path: '/api/doubts',
  access: coaching,
  about: ['request'],
  summary: 'What the score leaves to be answered in requests that wait and are coded, those promised the earliest first (at most thirty).',
  response: z.object({
    doubts: z.array(
      z.object({
        requestId: id,
        clientName: z.string(),
        footageId: id,
        /** Where its bout begins; `at` is in seconds from there. */
        fromFrame: frame,
        at: z.number(),
        words: z.string(),
      }),
    ),
  }),
});

export const saveFixChoice = operation({
  name: 'saveFixChoice',
  room: 'fixes',
  method: 'put',
  path: '/api/requests/:requestId/ladder',
  access: coaching,
  summary: 'Keeps what was decided on the ladder.',
  params: byRequest,
  body: fixChoice,
  response: fixChoice,
});

export const saveOwnSchool = operation({
  name: 'saveOwnSchool',
  room: 'fixes',
  method: 'put',
  path: '/api/own-school',
  access: ['coach'],
  summary: "The coach's own weights, for every request from now on.",
  body: ownSchool.refine(({ weights }) => Object.values(weights).some((weight) => weight > 0), 'At least one part must weigh something.'),
  response: ownSchool,
});

export const listFixOrders = operation({
  name: 'listFixOrders',
  room: 'fixes',
  method: 'get',
  path: '/api/fix-orders',
  access: coaching,
  summary:
    'For each critique that was sent: the order that went out, the computed one of the school used, and why they differ. Newest first.',
  response: z.object({
    orders: z.array(
      z.object({
        requestId: id,
        sentAt: instant,
        clientName: z.string(),
        school: z.string(),
        sent: ids,
        computed: ids,
        reason: z.string(),
      }),
    ),
  }),
});
