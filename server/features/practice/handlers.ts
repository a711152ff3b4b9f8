import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { pauseOf, practiceNow, setHours } from './hours.ts';
import { addExtra, endMembership, giveMembership, listMemberships, pauseMembership } from './memberships.ts';
import { clientsPaidBy } from './money/issue.ts';
import { addPlan, changePlan, planOf, retirePlan } from './plans.ts';
import { findPlans, findPractice } from './repository.ts';

const done = { done: true } as const;

export const practiceHandlers: Handlers<typeof rooms.practice> = {
  getPractice: async (house) => {
    const [{ practice, pauses }, plans, memberships] = await Promise.all([practiceNow(house), findPlans(house), listMemberships(house)]);
    const { hours, policy, turnaround, currency, revision } = practice;
    const has = (planId: string): number =>
      new Set(memberships.filter((m) => m.plan.id === planId && m.period !== null).map(({ clientId }) => clientId)).size;
    return {
      ...{ hours, policy, turnaround, currency, revision, memberships },
      pauses: pauses.map(pauseOf),
      plans: plans.map((plan) => ({ ...planOf(plan), clients: has(plan.id) })),
    };
  },

  setHours: async (house, { body }) => {
    await setHours(house, body);
    return done;
  },

  addPlan: (house, { body }) => addPlan(house, body),

  changePlan: async (house, { params, body }) => {
    await changePlan(house, params.planId, body);
    return done;
  },

  retirePlan: async (house, { params, body }) => {
    await retirePlan(house, params.planId, body.retired);
    return done;
  },

  giveMembership: (house, { params, body }) => giveMembership(house, params.clientId, body),

  endMembership: async (house, { params, body }) => {
    await endMembership(house, params.membershipId, body.untilOn);
    return done;
  },

  pauseMembership: async (house, { params, body }) => {
    await pauseMembership(house, params.membershipId, body);
    return done;
  },

  addExtra: async (house, { account, params }) => {
    await addExtra(house, account, params.membershipId);
    return done;
  },

  listOwnMemberships: async (house, { account }) => {
    const { currency } = await findPractice(house);
    const clientIds = account.clients.map(({ id }) => id);
    const [memberships, pays] = await Promise.all([listMemberships(house, clientIds), clientsPaidBy(house, account)]);
    const present = memberships.filter(({ state }) => state !== 'over');
    return { currency, memberships: present.map((one) => ({ ...one, mayBuy: one.state === 'runs' && pays.has(one.clientId) })) };
  },
};
