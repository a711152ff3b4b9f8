import type { Account, BodyOf, HandOver, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { afterAct, needsWord, type HandOverSide } from '@lean-mentor/core/queue';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { findHands } from '../access/index.ts';
import { lockRequest } from '../requests/index.ts';
import { changeHandOver, findOpenHandOvers, hasBout, insertHandOver, lockHandOver, type HandOverShown } from './handedRepository.ts';
import type { HandOverRow } from './model.ts';

const sideOf = ({ fromId, toId }: Pick<HandOverRow, 'fromId' | 'toId'>, accountId: string): HandOverSide | null =>
  toId === accountId ? 'doer' : fromId === accountId ? 'giver' : null;

const viewOf = (account: Account, row: HandOverShown): HandOver => {
  const { id, requestId, clientName, question, part, boutId, footageId, fromFrame, dueOn, state, said } = row;
  return {
    ...{ id, requestId, clientName, question, part, dueOn, state, said },
    bout: boutId !== null && footageId !== null && fromFrame !== null ? { id: boutId, footageId, fromFrame } : null,
    from: { id: row.fromId, name: row.fromName },
    to: { id: row.toId, name: row.toName },
    // Another coach may act for the one who gave it: the practice is theirs too.
    side: sideOf(row, account.id) ?? (account.role === 'coach' ? 'giver' : null),
  };
};

/** Work in other hands. A coach sees all of it, an assistant their own. */
export async function listHandOvers(house: House, account: Account): Promise<ResponseOf<typeof contract.listHandOvers>> {
  const [rows, hands] = await Promise.all([
    findOpenHandOvers(house, account.role === 'coach' ? null : account.id),
    account.role === 'coach' ? findHands(house) : [],
  ]);
  return { handOvers: rows.map((row) => viewOf(account, row)), hands: hands.filter(({ id }) => id !== account.id) };
}

/** Gives a request that waits, or a part of it, into another hand. The same part is in one hand at a time. */
export async function giveOver(
  house: House,
  account: Account,
  requestId: string,
  { toId, part, boutId, dueOn, words }: BodyOf<typeof contract.giveOver>,
): Promise<{ handOverId: string }> {
  const to = (await findHands(house)).find(({ id }) => id === toId);
  if (!to || toId === account.id)
    throw new ContractError('not-valid', { message: 'Choose somebody else of the coaching side, who may sign in.' });
  if (boutId && !(await hasBout(house, requestId, boutId))) throw new ContractError('not-found');
  const at = house.now();
  const row: HandOverRow = {
    ...{ id: house.newId(), requestId, part, boutId, fromId: account.id, toId, dueOn, state: 'asked', madeAt: at },
    said: words ? [{ by: account.name, at: at.toISOString(), words }] : [],
  };
  await house.db.sequelize.transaction(async (transaction) => {
    const request = await lockRequest(house, requestId, transaction);
    if (!request || !['waiting', 'need-first'].includes(request.state)) throw new ContractError('not-now');
    const there = (await findOpenHandOvers(house, null, transaction)).find((one) => isSame(one, row));
    if (there) throw new ContractError('not-now', { message: `${there.toName} has this already. Take it back first.` });
    await insertHandOver(house, row, transaction);
  });
  return { handOverId: row.id };
}

/** Whether two are the same work, or one holds the other: no bout named is all of them. */
const isSame = (a: Pick<HandOverRow, 'requestId' | 'part' | 'boutId'>, b: Pick<HandOverRow, 'requestId' | 'part' | 'boutId'>): boolean =>
  a.requestId === b.requestId && a.part === b.part && (a.boutId === b.boutId || a.boutId === null || b.boutId === null);

/** One side does what is theirs to do. */
export const actOnHandOver = (
  house: House,
  account: Account,
  handOverId: string,
  { act, words }: BodyOf<typeof contract.actOnHandOver>,
): Promise<void> =>
  house.db.sequelize.transaction(async (transaction) => {
    const row = await lockHandOver(house, handOverId, transaction);
    const side = row && (sideOf(row, account.id) ?? (account.role === 'coach' ? 'giver' : null));
    if (!row || !side) throw new ContractError('not-found');
    const state = afterAct(row.state, act, side);
    if (!state) throw new ContractError('not-now', { message: 'It does not stand so any more. Look again.' });
    if (needsWord(act) && words === '')
      throw new ContractError('not-valid', {
        message: 'Say a word on why.',
        fields: [{ field: 'words', why: 'Say a word on why.' }],
      });
    const said = words ? [...row.said, { by: account.name, at: house.now().toISOString(), words }] : row.said;
    await changeHandOver(house, handOverId, { state, said }, transaction);
  });
