import type * as contract from '@lean-mentor/contract';
import type { OwnSchool, RequestFixChoice, ResponseOf } from '@lean-mentor/contract';
import { orderAgreement, rankFixes, schoolNames, schools, type RankedFix, type School } from '@lean-mentor/core/fixes';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findRequest } from '../requests/index.ts';
import { ladderFacts, type LadderFacts } from './ladderFacts.ts';
import { findClientNames, findSentOrders, putChoice, putOwnSchool, putSentOrder } from './repository.ts';

/** The school a choice was made by. */
export const schoolOf = ({ school }: Pick<RequestFixChoice, 'school'>, own: OwnSchool): School =>
  school === 'own' ? { name: 'My own', words: 'Your own weights.', ...own } : schools[school];

/** A request's candidates as the school of its choice ranks them. */
export const rankedOf = ({ input, choice, ownSchool }: LadderFacts): RankedFix[] => rankFixes(input, schoolOf(choice, ownSchool));

export async function getLadder(house: House, requestId: string): Promise<ResponseOf<typeof contract.getLadder>> {
  const [facts, orders] = await Promise.all([ladderFacts(house, requestId), findSentOrders(house)]);
  const { input, harms, unexplained, guessedAsked, given, parkedBefore, sheet, choice, ownSchool } = facts;
  const plainInput = input as ResponseOf<typeof contract.getLadder>['input'];
  const bySchool: Record<string, { first: number; among: number; of: number }> = {};
  for (const { computed, sent } of orders)
    for (const [school, order] of Object.entries(computed ?? {})) {
      const { first, among, of } = orderAgreement(order, sent ?? []);
      const sum = (bySchool[school] ??= { first: 0, among: 0, of: 0 });
      bySchool[school] = { first: sum.first + Number(first), among: sum.among + among, of: sum.of + of };
    }
  return {
    harms,
    unexplained,
    guessedAsked,
    given,
    parkedBefore,
    choice,
    ownSchool,
    input: plainInput,
    sheet: { ...sheet },
    agreement: { sent: orders.length, bySchool },
  };
}

export async function saveFixChoice(house: House, requestId: string, choice: RequestFixChoice): Promise<RequestFixChoice> {
  if (!(await findRequest(house, requestId))) throw new ContractError('not-found');
  await putChoice(house, requestId, choice);
  return choice;
}

export async function saveOwnSchool(house: House, own: OwnSchool): Promise<OwnSchool> {
  await putOwnSchool(house, own);
  return own;
}

/** Of each computed order so many are kept. */
const keptOrder = 10;

/** Writes down what goes out beside what every school says, so that it can be seen over time how far they agree. */
export async function recordSentOrder(house: House, facts: LadderFacts, sent: string[], transaction: Transaction): Promise<void> {
  const { request, input, choice, ownSchool } = facts;
  const orderOf = (school: School): string[] =>
    rankFixes(input, school)
      .map(({ principle }) => principle)
      .slice(0, keptOrder);
  const computed = Object.fromEntries([
    ...schoolNames.map((name) => [name, orderOf(schools[name])] as const),
    ['own', orderOf(schoolOf({ school: 'own' }, ownSchool))] as const,
  ]);
  await putSentOrder(house, { requestId: request.id, choice, computed, sent, sentAt: house.now() }, transaction);
}

export async function listFixOrders(house: House): Promise<ResponseOf<typeof contract.listFixOrders>> {
  const rows = await findSentOrders(house);
  const names = await findClientNames(
    house,
    rows.map(({ requestId }) => requestId),
  );
  return {
    orders: rows.map(({ requestId, choice, computed, sent, sentAt }) => ({
      requestId,
      sentAt: sentAt!.toISOString(),
      clientName: names.get(requestId) ?? '',
      school: choice.school,
      sent: sent ?? [],
      computed: computed?.[choice.school] ?? [],
      reason: choice.reason,
    })),
  };
}
