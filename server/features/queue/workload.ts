import type * as contract from '@lean-mentor/contract';
import type { ResponseOf, WorkloadSource } from '@lean-mentor/contract';
import { daysRunning, worthOfDays } from '@lean-mentor/core/plans';
import { addCalendarDays, dayAt, dayText, seasonsOf } from '@lean-mentor/core/queue';
import type { House } from '../../house/house.ts';
import {
  findMemberships,
  findPastReviews,
  findPlans,
  pauseOf,
  practiceNow,
  reviewKindOf,
  standingInOrder,
  turnaroundOf,
} from '../practice/index.ts';
import { countByWeek, countClients, findCameIn, findHands, type CameIn } from './repository.ts';

/** Weeks that are looked back on, and ahead. */
const weeks = 12;
const weeksAhead = 8;

/** What came in by plan over the last weeks, and what it took. */
export async function getWorkload(house: House): Promise<ResponseOf<typeof contract.getWorkload>> {
  const { practice, pauses } = await practiceNow(house);
  const today = dayAt(practice.hours.zone, house.now().getTime());
  const [until, from] = [dayText(addCalendarDays(today, 1)), dayText(addCalendarDays(today, 1 - weeks * 7))];
  const [plans, memberships, cameIn, clients, past, hands, byWeek] = await Promise.all([
    findPlans(house),
    findMemberships(house),
    findCameIn(house, new Date(Date.parse(from))),
    countClients(house),
    findPastReviews(house),
    findHands(house, new Date(Date.parse(from))),
    countByWeek(house, house.now()),
  ]);
  const counted = (rows: readonly CameIn[]) => ({
    requests: rows.length,
    deskMinutes: rows.reduce((sum, { deskSeconds }) => sum + deskSeconds / 60, 0),
    bouts: rows
      .filter(({ boutSeconds }) => boutSeconds > 0)
      .map(({ kind, boutSeconds }) => ({ kind: reviewKindOf(kind), minutes: boutSeconds / 60 })),
  });
  const now = dayText(today);
  const sources = plans.map((plan): WorkloadSource => {
    const mine = memberships.filter(({ planId }) => planId === plan.id);
    const paid = mine
      .filter(({ gifted }) => !gifted)
      .reduce((sum, m) => sum + worthOfDays(Number(plan.price), plan.period, daysRunning(m, from, until)), 0);
    return {
      planId: plan.id,
      planName: plan.name,
      clients: new Set(mine.filter((m) => daysRunning(m, now, until) > 0).map(({ clientId }) => clientId)).size,
      clientWeeks: mine.reduce((sum, m) => sum + daysRunning(m, from, until), 0) / 7,
      planRank: plan.planRank,
      turnaround: plan.turnaround,
      spoken: plan.includes.includes('spoken'),
      paid: paid.toFixed(2),
      ...counted(cameIn.filter(({ planId }) => planId === plan.id)),
    };
  });
  const without = Math.max(0, clients - sources.reduce((sum, source) => sum + source.clients, 0));
  const loose = counted(cameIn.filter(({ planId }) => planId === null));
  const { planRank } = standingInOrder(null, plans);
  const others: WorkloadSource = {
    ...{ planId: null, planName: 'Without a plan', clients: without, clientWeeks: without * weeks, planRank, spoken: false, paid: '0.00' },
    ...{ turnaround: turnaroundOf(practice, null), ...loose },
  };
  const { hours, policy, currency } = practice;
  return {
    ...{ now: house.now().toISOString(), weeks, currency, hours, pauses: pauses.map(pauseOf), policy, past, hands },
    seasons: seasonsOf(byWeek, weeksAhead, weeks),
    sources: others.clients + others.requests > 0 ? [...sources, others] : sources,
  };
}
