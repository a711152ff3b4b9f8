import { planPeriods } from '@lean-mentor/core/plans';
import { orderPolicies, type WorkingHours } from '@lean-mentor/core/queue';
import { z } from 'zod';
import { done, id, instant, written } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { workingWindows, zone } from './workingHours.ts';

const day = z.iso.date();
/** An amount of money with two decimals, as a text: no binary fraction comes near it. */
export const amount = z.string().regex(/^\d{1,8}\.\d{2}$/, 'Write an amount like “45.00”.');
/** How long after a request is complete its critique is promised. */
export const turnaround = z.object({ hours: z.int('Write whole hours.').min(1).max(2000), kind: z.enum(['working', 'calendar']) });

const stay = z
  .object({ zone, from: day, to: day })
  .refine(({ from, to }) => from <= to, { error: 'It ends before it begins.', path: ['to'] });
export const workingHours = z.object({ zone, ...workingWindows, stays: z.array(stay).max(100).default([]) });
export type PracticeHours = z.infer<typeof workingHours>;

/** Ill or away: nothing is done in it, and promises move on. */
export const pause = z.object({ id, fromAt: instant, untilAt: instant, words: z.string() });
export type Pause = z.infer<typeof pause>;

/** When a coach works, pauses taken out, as core reckons with it. */
export const hoursWithPauses = (hours: PracticeHours, pauses: readonly Pick<Pause, 'fromAt' | 'untilAt'>[]): WorkingHours => ({
  ...hours,
  pauses: pauses.map(({ fromAt, untilAt }) => ({ fromAt: Date.parse(fromAt), toAt: Date.parse(untilAt) })),
});

export const answerWays = ['written', 'spoken', 'live'] as const;
export const planFields = z.object({
  name: written(80),
  price: amount,
  /** Of one request more than the plan holds. */
  extraPrice: amount,
  period: z.enum(planPeriods),
  requestsPerPeriod: z.int('Write a whole number.').min(1).max(1000),
  turnaround,
  /** 1 goes first. */
  rank: z.int('Write a whole number.').min(1).max(99),
  includes: z.array(z.enum(answerWays)).min(1, 'Choose at least one way of answering.'),
});
export type PlanFields = z.infer<typeof planFields>;
export const plan = planFields.extend({ id, retired: z.boolean(), clients: z.int().min(0) });
export type Plan = z.infer<typeof plan>;

const daySpan = z.object({ fromOn: day, untilOn: day.nullable() });
/** A plan as a client has it, and what is left of it today. */
export const membership = z.object({
  id,
  clientId: id,
  clientName: z.string(),
  plan: plan.omit({ clients: true }),
  fromOn: day,
  untilOn: day.nullable(),
  gifted: z.boolean(),
  pauses: z.array(daySpan),
  state: z.enum(['runs', 'paused', 'not-yet', 'over']),
  /** The period that runs, and what is left in it; null when none does. */
  period: daySpan.extend({ used: z.int().min(0), extras: z.int().min(0), left: z.int().min(0) }).nullable(),
});
export type MembershipView = z.infer<typeof membership>;

const room = { room: 'practice' } as const;
const coachOnly = ['coach'] as const;

export const getPractice = operation({
  ...room,
  name: 'getPractice',
  method: 'get',
  path: '/api/practice',
  access: coaching,
  about: ['practice'],
  summary: 'Working hours, pauses, the order policy, plans and who has which.',
  response: z.object({
    hours: workingHours,
    policy: z.enum(orderPolicies),
    /** For clients without a plan. */
    turnaround,
    /** ISO 4217. */
    currency: z.string().length(3),
    revision: z.int(),
    pauses: z.array(pause),
    plans: z.array(plan),
    memberships: z.array(membership),
  }),
});

export const setHours = operation({
  ...room,
  name: 'setHours',
  method: 'put',
  path: '/api/practice/hours',
  access: coachOnly,
  about: ['practice', 'request'],
  summary: 'Sets working hours, and what is promised to clients without a plan. Refused when they were changed since `revision`.',
  body: z.object({
    revision: z.int(),
    hours: workingHours,
    turnaround,
    currency: z.string().regex(/^[A-Z]{3}$/, 'Write three letters, like EUR.'),
  }),
  response: done,
});

export const addPlan = operation({
  ...room,
  name: 'addPlan',
  method: 'post',
  path: '/api/plans',
  access: coachOnly,
  about: ['practice'],
  summary: 'Offers a new plan.',
  body: planFields,
  response: z.object({ planId: id }),
});

export const changePlan = operation({
  ...room,
  name: 'changePlan',
  method: 'put',
  path: '/api/plans/:planId',
  access: coachOnly,
  about: ['practice', 'request'],
  summary: 'Changes a plan for all who have it, from now on; what was invoiced and promised stays.',
  params: z.object({ planId: id }),
  body: planFields,
  response: done,
});

export const retirePlan = operation({
  ...room,
  name: 'retirePlan',
  method: 'post',
  path: '/api/plans/:planId/retire',
  access: coachOnly,
  about: ['practice'],
  summary: 'Offers a plan no more, or again; who has it keeps it.',
  params: z.object({ planId: id }),
  body: z.object({ retired: z.boolean() }),
  response: done,
});

export const giveMembership = operation({
  ...room,
  name: 'giveMembership',
  method: 'post',
  path: '/api/clients/:clientId/memberships',
  access: coachOnly,
  about: ['practice', 'request', 'letter'],
  summary: 'Gives a client a plan from a day on; the one they have ends there. The client is told.',
  params: z.object({ clientId: id }),
  body: z.object({ planId: id, fromOn: day, untilOn: day.nullable(), gifted: z.boolean() }),
  response: z.object({ membershipId: id }),
});

const membershipParams = z.object({ membershipId: id });

export const endMembership = operation({
  ...room,
  name: 'endMembership',
  method: 'post',
  path: '/api/memberships/:membershipId/end',
  access: coachOnly,
  about: ['practice', 'request', 'letter'],
  summary: 'Ends a plan of a client with a day (`untilOn` is the first without it); null lets it go on.',
  params: membershipParams,
  body: z.object({ untilOn: day.nullable() }),
  response: done,
});

export const pauseMembership = operation({
  ...room,
  name: 'pauseMembership',
  method: 'post',
  path: '/api/memberships/:membershipId/pause',
  access: coachOnly,
  about: ['practice', 'request', 'letter'],
  summary: 'Pauses a plan of a client from a day until another, or until it is ended: its period is longer by as many days.',
  params: membershipParams,
  body: z.object({ fromOn: day, untilOn: day.nullable() }),
  response: done,
});

export const addExtra = operation({
  ...room,
  name: 'addExtra',
  method: 'post',
  path: '/api/memberships/:membershipId/extra',
  access: ['coach', 'client', 'guardian'],
  about: ['practice', 'money', 'letter'],
  summary: 'One request more in the period that runs: bought by the client or guardian, given by the coach.',
  params: membershipParams,
  response: done,
});

export const listOwnMemberships = operation({
  ...room,
  name: 'listOwnMemberships',
  method: 'get',
  path: '/api/own-memberships',
  access: ['client', 'guardian'],
  about: ['practice', 'request'],
  summary: 'The plans of the caller’s clients that run or will, and what is left of them.',
  response: z.object({
    currency: z.string(),
    /** `mayBuy`: whether the caller may buy one request more; for a minor their guardian does. */
    memberships: z.array(membership.extend({ mayBuy: z.boolean() })),
  }),
});
