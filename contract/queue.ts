import { orderPolicies, reviewKinds, type Season } from '@lean-mentor/core/queue';
import { z } from 'zod';
import { done, id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { amount, pause, turnaround, workingHours } from './practice.ts';
import { request } from './requests.ts';
import { sameAs } from './sameAs.ts';

/** A request that waits, as the order of the day sees it. */
export const todayRow = request.extend({
  clientLevel: z.number().int().min(1).max(5),
  marks: z.number().int(),
  notes: z.number().int(),
  readyAt: instant,
  reviewKind: z.enum(reviewKinds),
  /** Minutes of bout to be looked at: of several cameras one. */
  boutMinutes: z.number().min(0),
  spoken: z.boolean(),
  spentMinutes: z.number().min(0),
  /** Whether a review can begin: all that is coming is there. */
  canBegin: z.boolean(),
  planName: z.string().nullable(),
  /** Whether something of theirs to be paid is late: then they go after the others. */
  paymentLate: z.boolean(),
  planRank: z.number().int().min(1),
  /** What an hour late weighs. */
  weight: z.number().min(0),
  /** Its place in the order by hand, 0 first. */
  place: z.number().int().min(0).nullable(),
});
export type TodayRow = z.infer<typeof todayRow>;

/** A review that is finished: what it took, and what had been promised. */
export const pastReview = z.object({
  requestId: id,
  kind: z.enum(reviewKinds),
  boutMinutes: z.number(),
  deskMinutes: z.number(),
  spoken: z.boolean(),
});

const room = { room: 'queue' } as const;

/** Clients of one plan, or without any: what came from them in the last weeks, and what it took. */
export const workloadSource = z.object({
  planId: id.nullable(),
  planName: z.string(),
  /** Who has it today. */
  clients: z.int().min(0),
  /** Over the weeks counted: requests that became ready, and weeks of clients who had the plan. */
  requests: z.int().min(0),
  clientWeeks: z.number().min(0),
  planRank: z.int().min(1),
  turnaround,
  spoken: z.boolean(),
  /** Of the requests counted: what there was to look at. */
  bouts: z.array(z.object({ kind: z.enum(reviewKinds), minutes: z.number() })),
  deskMinutes: z.number().min(0),
  /** Paid for it over the weeks counted, without gifts; an amount in the practice's currency. */
  paid: amount,
});
export type WorkloadSource = z.infer<typeof workloadSource>;

/** What the weeks counted and the weeks ahead were like in earlier years. */
const season = sameAs<Season>()(z.object({ requests: z.number().min(0), expected: z.number().min(0) }));
export const seasons = z.object({ recent: season, ahead: z.array(season) });

/** Who worked at the desk over the weeks counted, most first. */
export const workHands = z.array(z.object({ name: z.string(), hours: z.number().min(0), requests: z.int().min(1) }));
export type WorkHands = z.infer<typeof workHands>;

export const getWorkload = operation({
  ...room,
  name: 'getWorkload',
  method: 'get',
  path: '/api/workload',
  access: ['coach'],
  about: ['request', 'practice'],
  summary: 'What came in by plan over the last weeks, and what it took: what the weeks ahead are simulated from.',
  response: z.object({
    now: instant,
    weeks: z.int().min(1),
    currency: z.string(),
    sources: z.array(workloadSource),
    hands: workHands,
    seasons,
    hours: workingHours,
    pauses: z.array(pause),
    policy: z.enum(orderPolicies),
    past: z.array(pastReview),
  }),
});

export const getToday = operation({
  ...room,
  name: 'getToday',
  method: 'get',
  path: '/api/today',
  access: coaching,
  about: ['request', 'practice'],
  summary:
    'Requests that wait, promised first, and what their order is computed from: hours, pauses, the policy, past reviews (oldest first).',
  response: z.object({
    now: instant,
    rows: z.array(todayRow),
    hours: workingHours,
    pauses: z.array(pause),
    policy: z.enum(orderPolicies),
    past: z.array(pastReview),
  }),
});

export const setPolicy = operation({
  ...room,
  name: 'setPolicy',
  method: 'put',
  path: '/api/today/policy',
  access: ['coach'],
  about: ['request', 'practice'],
  summary: 'Sets by which policy requests are ordered; promises are made by it from now on.',
  body: z.object({ policy: z.enum(orderPolicies) }),
  response: done,
});

export const placeRequest = operation({
  ...room,
  name: 'placeRequest',
  method: 'put',
  path: '/api/requests/:requestId/place',
  access: coaching,
  about: ['request'],
  summary: 'Puts a waiting request at a place of the order by hand (0 first); null gives it back to the policy.',
  params: z.object({ requestId: id }),
  body: z.object({ place: z.int().min(0).max(999).nullable() }),
  response: done,
});

export const getPromise = operation({
  ...room,
  name: 'getPromise',
  method: 'get',
  path: '/api/requests/:requestId/promise',
  access: ['client', 'guardian'],
  about: ['request', 'practice'],
  summary:
    'What could be promised if this draft were sent now: when its critique comes in eight of ten cases (null: not foreseeable), and by when the plan says at the latest.',
  params: z.object({ requestId: id }),
  response: z.object({
    byAt: instant.nullable(),
    dueAt: instant,
    /** IANA name of the zone the coach works in. */
    coachZone: z.string(),
    /** What is left of the plan, this one not counted; null without a plan. */
    left: z.int().min(0).nullable(),
    planName: z.string().nullable(),
    /** Whether something of theirs to be paid is late: then they go after the others. */
    paymentLate: z.boolean(),
    pausedUntil: instant.nullable(),
  }),
});

export const getPromises = operation({
  ...room,
  name: 'getPromises',
  method: 'get',
  path: '/api/promises',
  access: coaching,
  about: ['request'],
  summary: 'What was promised and what came of it, newest first, at most 500: of those said for eight in ten, how many held.',
  response: z.object({
    promises: z.array(
      z.object({
        requestId: id,
        clientName: z.string(),
        readyAt: instant,
        saidByAt: instant.nullable(),
        dueAt: instant,
        /** When the promise was moved: the coach paused, or the client was asked for something. */
        movedAt: instant.nullable(),
        sentAt: instant.nullable(),
      }),
    ),
  }),
});

export const pauseWork = operation({
  ...room,
  name: 'pauseWork',
  method: 'post',
  path: '/api/pauses',
  access: ['coach'],
  about: ['request', 'practice', 'letter'],
  summary: 'Ill or away from an instant until another: promises that reach into it move on, and those concerned are told.',
  body: z
    .object({ fromAt: instant, untilAt: instant, words: z.string().trim().max(300) })
    .refine(({ fromAt, untilAt }) => fromAt < untilAt, { error: 'It ends before it begins.', path: ['untilAt'] }),
  response: z.object({ pauseId: id, moved: z.int().min(0) }),
});

export const endPause = operation({
  ...room,
  name: 'endPause',
  method: 'post',
  path: '/api/pauses/:pauseId/end',
  access: ['coach'],
  about: ['request', 'practice'],
  summary: 'Ends a pause now. Promises that were moved stay where they are.',
  params: z.object({ pauseId: id }),
  response: done,
});

export const recordDeskTime = operation({
  ...room,
  name: 'recordDeskTime',
  method: 'post',
  path: '/api/requests/:requestId/desk-time',
  access: coaching,
  summary: 'Seconds of work at the desk, minute by minute, counted back from now. What is told twice counts once.',
  params: z.object({ requestId: id }),
  body: z.object({
    minutes: z
      .array(z.object({ minutesAgo: z.int().min(0).max(1440), seconds: z.int().min(1).max(60) }))
      .min(1)
      .max(1440),
  }),
  response: done,
});
