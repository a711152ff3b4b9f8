import type { Plan, PlanFields } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import type { PlanRow } from './model.ts';
import { changePlanRow, findMemberships, findPlans, insertPlan } from './repository.ts';

export const planOf = ({ planRank, retiredAt, madeAt: _, ...row }: PlanRow): Omit<Plan, 'clients'> => ({
  ...row,
  rank: planRank,
  retired: retiredAt !== null,
});

const rowOf = ({ rank, ...fields }: PlanFields): Omit<PlanRow, 'id' | 'madeAt' | 'retiredAt'> => ({ ...fields, planRank: rank });

export async function addPlan(house: House, fields: PlanFields): Promise<{ planId: string }> {
  const planId = house.newId();
  await insertPlan(house, { id: planId, ...rowOf(fields), madeAt: house.now(), retiredAt: null });
  return { planId };
}

export async function requirePlan(house: House, planId: string, transaction?: Transaction): Promise<PlanRow> {
  const plan = (await findPlans(house, transaction)).find(({ id }) => id === planId);
  if (!plan) throw new ContractError('not-found');
  return plan;
}

export async function changePlan(house: House, planId: string, fields: PlanFields): Promise<void> {
  const plan = await requirePlan(house, planId);
  // Its periods are numbered from the day it was given: another length would number those that were invoiced anew.
  if (plan.period !== fields.period && (await findMemberships(house)).some((one) => one.planId === planId)) {
    const why = 'Somebody has this plan. Offer a new one with another period, and give it to them from a day.';
    throw new ContractError('not-valid', { message: why, fields: [{ field: 'period', why }] });
  }
  await changePlanRow(house, planId, rowOf(fields));
}

export async function retirePlan(house: House, planId: string, retired: boolean): Promise<void> {
  await requirePlan(house, planId);
  await changePlanRow(house, planId, { retiredAt: retired ? house.now() : null });
}

/**
 * Rank and weight of a client in the order: without a plan after all plans, and so is who is late with a payment. An hour late weighs
 * more the higher the rank.
 */
export function standingInOrder(plan: PlanRow | null, plans: readonly PlanRow[], late = false): { planRank: number; weight: number } {
  const lowest = Math.max(0, ...plans.map(({ planRank }) => planRank)) + 1;
  const planRank = late ? lowest : (plan?.planRank ?? lowest);
  return { planRank, weight: lowest + 1 - planRank };
}
