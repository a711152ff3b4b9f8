import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, ResponseOf, Role } from '@lean-mentor/contract';
import type { Limit } from '@lean-mentor/core/care';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { changeClientRow, findClient } from './repository.ts';

export async function limitsOfClient(house: House, clientId: string): Promise<ResponseOf<typeof contract.getLimits>> {
  const client = await findClient(house, clientId);
  if (!client) throw new ContractError('not-found');
  return { name: client.name, hurts: client.hurts, limits: client.limits };
}

const saying = ({ byClient: _client, byCoach: _coach, ...rest }: Limit): string => JSON.stringify(Object.entries(rest).sort());

/** A limit as somebody leaves it: agreed by them; by the other side only as long as it says the same as before. */
function leftBy(limit: Limit, isCoach: boolean, before: readonly Limit[]): Limit {
  const was = before.find(({ id }) => id === limit.id);
  const isSame = was !== undefined && saying(was) === saying(limit);
  return {
    ...limit,
    byCoach: isCoach || (isSame && was.byCoach),
    byClient: !isCoach || (isSame && was.byClient),
  };
}

/** Limits as somebody leaves them. What a clinician said is the coach’s to write down: from anybody else it is refused. */
export function limitsLeftBy(role: Role, limits: readonly Limit[], before: readonly Limit[]): Limit[] {
  const isCoach = role === 'coach';
  const left = limits.map((limit) => leftBy(limit, isCoach, before));
  const cleared = left.find(({ id, cleared: words }) => words !== '' && words !== before.find((one) => one.id === id)?.cleared);
  if (!isCoach && cleared)
    throw new ContractError('not-valid', { message: 'What a clinician said is written down by your coach. Tell them.' });
  return left;
}

/**
 * Keeps what hurts and what was read from it. A client, or their guardian, may add and say it more closely; what is over, and what a
 * clinician said, is the coach’s to write down, when the two have spoken.
 */
export async function keepLimits(
  house: House,
  { role }: Account,
  clientId: string,
  { hurts, limits }: BodyOf<typeof contract.keepLimits>,
): Promise<void> {
  await changeClientRow(house, clientId, (before) => {
    const gone = before.hurts.find((words) => !hurts.includes(words));
    if (role !== 'coach' && gone !== undefined)
      throw new ContractError('not-valid', { message: `“${gone}” is ended by your coach, when you have spoken about it.` });
    return { hurts, limits: limitsLeftBy(role, limits, before.limits) };
  });
}
