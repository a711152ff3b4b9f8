import type { Account, MembershipView } from '@lean-mentor/contract';
import { periodsThatRan } from '@lean-mentor/core/money';
import { standingOn, type DaySpan } from '@lean-mentor/core/plans';
import { daysAfter } from '@lean-mentor/core/queue';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { findClient, findClients } from '../clients/index.ts';
import { postLetters } from '../letters/index.ts';
import { todayOf } from './hours.ts';
import { membershipLetter, type MembershipChange } from './letters.ts';
import type { MembershipRow, PlanRow } from './model.ts';
import { cancelPeriodsAfter, issueInvoice, paysFor } from './money/issue.ts';
import { planOf, requirePlan } from './plans.ts';
import {
  changeMembership,
  deleteMembership,
  findMembership,
  findMemberships,
  findPlans,
  findPractice,
  findUse,
  insertExtra,
  insertMembership,
  lockMemberships,
  type PeriodUse,
} from './repository.ts';

/** A membership, the plan it is of, and how it stands today. */
export interface Standing {
  row: MembershipRow;
  plan: PlanRow;
  state: MembershipView['state'];
  period: MembershipView['period'];
}

function standing(row: MembershipRow, plan: PlanRow, today: string, use: readonly PeriodUse[]): Standing {
  const now = standingOn(row, plan.period, today);
  if (!('period' in now)) return { row, plan, state: now.state, period: null };
  const here = use.find((one) => one.membershipId === row.id && one.periodOn === now.period.fromOn);
  const [used, extras] = [here?.used ?? 0, here?.extras ?? 0];
  return {
    row,
    plan,
    state: now.state,
    period: { ...now.period, used, extras, left: Math.max(0, plan.requestsPerPeriod + extras - used) },
  };
}

async function standings(house: House, rows: readonly MembershipRow[], transaction?: Transaction): Promise<Standing[]> {
  const [plans, practice, use] = await Promise.all([
    findPlans(house, transaction),
    findPractice(house, transaction),
    findUse(
      house,
      rows.map(({ id }) => id),
      transaction,
    ),
  ]);
  const planWith = new Map(plans.map((plan) => [plan.id, plan]));
  return rows.map((row) => standing(row, planWith.get(row.planId)!, todayOf(house, practice), use));
}

/** Memberships of some clients, or all, as their coach and they see them. */
export async function listMemberships(house: House, clientIds?: readonly string[]): Promise<MembershipView[]> {
  const all = await standings(house, await findMemberships(house, clientIds));
  const names = new Map((await findClients(house, [...new Set(all.map(({ row }) => row.clientId))])).map((c) => [c.id, c.name]));
  return all.map(({ row, plan, state, period }) => {
    const { id, clientId, fromOn, untilOn, gifted, pauses } = row;
    return { id, clientId, clientName: names.get(clientId) ?? '', plan: planOf(plan), fromOn, untilOn, gifted, pauses, state, period };
  });
}

/** The plan each of some clients has today; none for a client without one. */
export async function currentPlans(house: House, clientIds: readonly string[], transaction?: Transaction): Promise<Map<string, Standing>> {
  const all = await standings(house, await findMemberships(house, clientIds, transaction), transaction);
  return new Map(all.filter(({ period }) => period !== null).map((one) => [one.row.clientId, one]));
}

/** The plan that a request was taken from. */
export async function planOfMembership(
  house: House,
  membershipId: string | null,
  transaction?: Transaction,
): Promise<{ plan: PlanRow } | null> {
  const row = membershipId && (await findMembership(house, membershipId, transaction));
  return row ? { plan: await requirePlan(house, row.planId, transaction) } : null;
}

/** The plan a client has today, locked, for taking one request from it. Null without a plan. */
export async function lockCurrentPlan(house: House, clientId: string, transaction: Transaction): Promise<Standing | null> {
  const all = await standings(house, await lockMemberships(house, clientId, transaction), transaction);
  return all.find(({ period }) => period !== null) ?? null;
}

async function tell(house: House, row: MembershipRow, plan: PlanRow, change: MembershipChange, transaction: Transaction): Promise<void> {
  await postLetters(house, row.clientId, (person) => membershipLetter(person.name, plan.name, change), transaction);
}

/** Changes a client's memberships one after another. */
async function changing<T>(
  house: House,
  membershipId: string,
  change: (row: MembershipRow, plan: PlanRow, all: MembershipRow[], transaction: Transaction) => Promise<T>,
): Promise<T> {
  const found = await findMembership(house, membershipId);
  if (!found) throw new ContractError('not-found');
  return house.db.sequelize.transaction(async (transaction) => {
    const all = await lockMemberships(house, found.clientId, transaction);
    const row = all.find(({ id }) => id === membershipId);
    if (!row) throw new ContractError('not-found');
    return change(row, await requirePlan(house, row.planId), all, transaction);
  });
}

const overlap = (a: DaySpan, b: DaySpan): boolean =>
  (a.untilOn === null || b.fromOn < a.untilOn) && (b.untilOn === null || a.fromOn < b.untilOn);

/**
 * Gives a client a plan from a day on. The one that runs then ends on that day; what would begin later stands against it, so that nobody
 * ever has two at once.
 */
export async function giveMembership(
  house: House,
  clientId: string,
  wanted: { planId: string; fromOn: string; untilOn: string | null; gifted: boolean },
): Promise<{ membershipId: string }> {
  if (!(await findClient(house, clientId))) throw new ContractError('not-found');
  const plan = await requirePlan(house, wanted.planId);
  if (plan.retiredAt) throw new ContractError('not-valid', { message: `“${plan.name}” is not offered any more. Offer it again first.` });
  if (wanted.untilOn !== null && wanted.untilOn <= wanted.fromOn)
    throw new ContractError('not-valid', {
      message: 'It ends before it begins.',
      fields: [{ field: 'untilOn', why: 'It ends before it begins.' }],
    });
  const row: MembershipRow = { id: house.newId(), clientId, ...wanted, pauses: [], madeAt: house.now() };
  await house.db.sequelize.transaction(async (transaction) => {
    for (const other of await lockMemberships(house, clientId, transaction)) {
      if (!overlap(other, row)) continue;
      if (other.fromOn > row.fromOn)
        throw new ContractError('not-valid', { message: `A plan begins for this client on ${other.fromOn} already. End that one first.` });
      if (other.fromOn === row.fromOn) await endBeforeItBegan(house, other, transaction);
      else await endOn(house, other, row.fromOn, transaction);
    }
    await insertMembership(house, row, transaction);
    await tell(house, row, plan, { kind: 'given', fromOn: row.fromOn, untilOn: row.untilOn }, transaction);
  });
  return { membershipId: row.id };
}

/** One that never ran a day is taken away, unless something was taken from it: then its plan is what it was. */
async function endBeforeItBegan(house: House, row: MembershipRow, transaction: Transaction): Promise<void> {
  const use = await findUse(house, [row.id], transaction);
  if (use.some(({ used, extras }) => used + extras > 0))
    throw new ContractError('not-valid', {
      message: 'Something was sent on the plan that begins on this day. Let the new one begin a day later.',
    });
  await cancelPeriodsAfter(house, row.id, 0, transaction);
  await deleteMembership(house, row.id, transaction);
}

/** A membership ends on a day; what was invoiced of periods that never run is cancelled. */
async function endOn(house: House, row: MembershipRow, untilOn: string, transaction: Transaction): Promise<void> {
  await changeMembership(house, row.id, { untilOn }, transaction);
  const { period } = await requirePlan(house, row.planId, transaction);
  await cancelPeriodsAfter(house, row.id, periodsThatRan(row, period, untilOn), transaction);
}

/** Ends a plan on a day, or lets it go on. */
export const endMembership = (house: House, membershipId: string, untilOn: string | null): Promise<void> =>
  changing(house, membershipId, async (row, plan, all, transaction) => {
    if (untilOn !== null && untilOn <= row.fromOn) return endBeforeItBegan(house, row, transaction);
    const later = all.filter(({ id, fromOn }) => id !== row.id && fromOn > row.fromOn);
    if (later.some((other) => overlap(other, { ...row, untilOn })))
      throw new ContractError('not-valid', { message: `The next plan begins on ${later[0]!.fromOn}; this one cannot go on beyond that.` });
    if (untilOn === null) await changeMembership(house, row.id, { untilOn }, transaction);
    else await endOn(house, row, untilOn, transaction);
    await tell(house, row, plan, untilOn === null ? { kind: 'goes-on', untilOn } : { kind: 'ends', untilOn }, transaction);
  });

/** Pauses a plan. A pause that runs without an end is ended by one that begins in it. */
export const pauseMembership = (house: House, membershipId: string, pause: DaySpan): Promise<void> =>
  changing(house, membershipId, async (row, plan, _all, transaction) => {
    if (pause.untilOn !== null && pause.untilOn < pause.fromOn)
      throw new ContractError('not-valid', { message: 'It ends before it begins.' });
    if (pause.fromOn < row.fromOn) throw new ContractError('not-valid', { message: `The plan begins only on ${row.fromOn}.` });
    const others = row.pauses.filter(
      (other) => !overlap(other, { ...pause, untilOn: pause.untilOn === pause.fromOn ? daysAfter(pause.fromOn, 1) : pause.untilOn }),
    );
    const cut = row.pauses.filter((other) => !others.includes(other));
    // From the day it began until the day now said: so a pause is moved, and ended today with no day left of it.
    const fromOn = [pause.fromOn, ...cut.map((other) => other.fromOn)].sort()[0]!;
    const kept = pause.untilOn !== null && pause.untilOn <= fromOn ? others : [...others, { fromOn, untilOn: pause.untilOn }];
    await changeMembership(house, row.id, { pauses: kept }, transaction);
    await tell(house, row, plan, { kind: 'paused', fromOn, untilOn: pause.untilOn }, transaction);
  });

/**
 * One request more in the period that runs: bought by the client or guardian, and invoiced where the practice writes invoices; given by
 * the coach. What a minor buys, their guardian would pay: so the guardian buys it.
 */
export const addExtra = (house: House, account: Account, membershipId: string): Promise<void> =>
  changing(house, membershipId, async (row, plan, _all, transaction) => {
    const gifted = account.role === 'coach';
    if (!gifted && !(await paysFor(house, account, row.clientId)))
      throw new ContractError('not-allowed', { message: 'Your guardian buys this: it stands on their page.' });
    const [now] = await standings(house, [row], transaction);
    if (!now?.period || now.state !== 'runs')
      throw new ContractError('not-now', { message: 'This plan does not run today, so nothing can be added to it.' });
    const extraId = house.newId();
    const periodOn = now.period.fromOn;
    await insertExtra(house, { id: extraId, membershipId, periodOn, gifted, madeAt: house.now() }, transaction);
    if (gifted || plan.extraPrice === '0.00') return;
    const words = `One request more, plan “${plan.name}”, in the period from ${periodOn}`;
    await issueInvoice(house, row.clientId, [{ words, amount: plan.extraPrice }], { extraId }, transaction);
  });
