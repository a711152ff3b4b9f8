import { periodsToBill } from '@lean-mentor/core/money';
import { daysAfter } from '@lean-mentor/core/queue';
import type { House } from '../../../house/house.ts';
import { todayOf } from '../hours.ts';
import type { MembershipRow, PlanRow } from '../model.ts';
import { findMemberships, findPlans, findPractice, lockMemberships } from '../repository.ts';
import { issueInvoice, tellPayer } from './issue.ts';
import { lateInvoices } from './late.ts';
import { reminderLetter } from './moneyLetters.ts';
import { findBilling, findLastBilled, findPeriodInvoices, markReminded } from './repository.ts';

/** The periods that a membership owes an invoice for, after the last one that has it. */
const dueOf = (row: MembershipRow, plan: PlanRow, billedFrom: string, billed: number, today: string) =>
  row.gifted || plan.price === '0.00' ? [] : periodsToBill(row, plan.period, billedFrom, today, billed);

/** Writes the invoices of one client's membership that are due. */
async function billMembership(house: House, found: MembershipRow, billedFrom: string, today: string): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const row = (await lockMemberships(house, found.clientId, transaction)).find(({ id }) => id === found.id);
    const plan = row && (await findPlans(house, transaction)).find(({ id }) => id === row.planId);
    if (!row || !plan) return;
    const billed = Math.max(0, ...(await findPeriodInvoices(house, row.id, transaction)).map(({ periodNo }) => periodNo!));
    for (const { fromOn, untilOn, number } of dueOf(row, plan, billedFrom, billed, today)) {
      const words = `Plan “${plan.name}”, from ${fromOn}${untilOn ? ` to ${daysAfter(untilOn, -1)}` : ''}`;
      await issueInvoice(house, row.clientId, [{ words, amount: plan.price }], { membershipId: row.id, periodNo: number }, transaction);
    }
  });
}

/**
 * Writes the invoices of all plans that are due: for each period that has begun, whole and once. What was invoiced stays so: a first day
 * of billing that is moved back later adds nothing before the newest period that was invoiced.
 */
export async function billPlans(house: House): Promise<void> {
  const { fromOn } = (await findBilling(house)).billing;
  if (!fromOn) return;
  const [practice, plans, memberships, last] = await Promise.all([
    findPractice(house),
    findPlans(house),
    findMemberships(house),
    findLastBilled(house),
  ]);
  const today = todayOf(house, practice);
  const planWith = new Map(plans.map((plan) => [plan.id, plan]));
  for (const row of memberships)
    if (dueOf(row, planWith.get(row.planId)!, fromOn, last.get(row.id) ?? 0, today).length > 0)
      await billMembership(house, row, fromOn, today);
}

/** An invoice that became due longer ago, in days, is not looked at again for a reminder: it had its time. */
const remindWithinDays = 120;

/** Reminds, once, whoever pays an invoice that is late. */
export async function remindOfInvoices(house: House): Promise<void> {
  const dueFrom = daysAfter(todayOf(house, await findPractice(house)), -remindWithinDays);
  for (const { row, standing } of await lateInvoices(house, { notReminded: true, dueFrom }))
    await house.db.sequelize.transaction(async (transaction) => {
      if (!row.clientId || !(await markReminded(house, row.id, house.now(), transaction))) return;
      await tellPayer(house, row.clientId, (name) => reminderLetter(name, row, standing.open), transaction);
    });
}
