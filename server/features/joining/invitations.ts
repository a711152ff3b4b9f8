import type * as contract from '@lean-mentor/contract';
import type { Account, Invitation, InvitationWanted, ResponseOf } from '@lean-mentor/contract';
import { addDays } from 'date-fns';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { findAccount, findAccountByEmail, insertAccount, linkClient } from '../access/index.ts';
import { findClient, insertClient } from '../clients/index.ts';
import { linkUsed, postLetterTo } from '../letters/index.ts';
import type { InvitationRow } from './model.ts';
import { digestOf, oneTime } from '../../house/oneTime.ts';
import { hashNew } from './passwordRules.ts';
import {
  changeInvitation,
  deleteInvitation,
  findInvitation,
  findInvitationByDigest,
  findInvitations,
  findOpenInvitation,
  insertInvitation,
} from './repository.ts';

/** An invitation opens for so many days. */
const openDays = 14;

async function invitationOf(house: House, row: InvitationRow): Promise<Invitation> {
  const { id, role, name, email, clientId, madeAt, expiresAt, acceptedAt } = row;
  const clientName = clientId ? ((await findClient(house, clientId))?.name ?? null) : null;
  const state = acceptedAt ? 'accepted' : expiresAt <= house.now() ? 'expired' : 'open';
  return { id, role, name, email, clientName, madeAt: madeAt.toISOString(), expiresAt: expiresAt.toISOString(), state };
}

const roleWords = { assistant: 'as an assistant', client: 'as a client', guardian: 'as a guardian' } as const;

/** Writes the letter of an invitation, with a new link; the one before opens nothing then. */
async function write(house: House, row: InvitationRow, from: string, transaction: Transaction): Promise<InvitationRow> {
  const { token, digest } = oneTime();
  const clientName = row.clientId ? ((await findClient(house, row.clientId))?.name ?? '') : '';
  const of = row.role === 'guardian' ? `${roleWords.guardian} of ${clientName}` : roleWords[row.role];
  if (row.letterId) await linkUsed(house, row.letterId, transaction);
  const letterId = await postLetterTo(
    house,
    {
      toName: row.name,
      toAddress: row.email,
      subject: `${from} invites you to Lean Mentor`,
      body: `Hello ${row.name},\n\n${from} invites you to Lean Mentor ${of}. Choose a password of your own here; the link opens once, within ${openDays} days.`,
      link: `/join/${token}`,
    },
    transaction,
  );
  return { ...row, digest, letterId, madeAt: house.now(), expiresAt: addDays(house.now(), openDays) };
}

const inUse = (email: string): ContractError =>
  new ContractError('not-valid', {
    message: `${email} signs in here already.`,
    fields: [{ field: 'email', why: 'Whoever has this address signs in here already.' }],
  });

/** Invites somebody. A guardian who signs in here already becomes guardian of this client too, without a letter: null. */
export async function invite(house: House, coach: Account, wanted: InvitationWanted): Promise<Invitation | null> {
  const email = wanted.email.toLowerCase();
  const clientId = wanted.role === 'guardian' ? wanted.clientId : null;
  if (clientId && !(await findClient(house, clientId))) throw new ContractError('not-found');
  const present = await findAccountByEmail(house, email);
  if (present && !(clientId && present.role === 'guardian')) throw inUse(email);
  if (present && clientId) {
    await linkClient(house, present.id, clientId);
    return null;
  }
  if (await findOpenInvitation(house, email, house.now()))
    throw new ContractError('not-valid', {
      message: `${email} is invited already. Send that invitation again, or take it back.`,
      fields: [{ field: 'email', why: 'Whoever has this address is invited already.' }],
    });
  const { level, bornOn } = wanted.role === 'client' ? wanted : { level: null, bornOn: null };
  const now = house.now();
  const row: InvitationRow = {
    ...{ id: house.newId(), digest: '', role: wanted.role, name: wanted.name, email, clientId, level, bornOn },
    ...{ invitedBy: coach.id, letterId: null, madeAt: now, expiresAt: now, acceptedAt: null },
  };
  const made = await house.db.sequelize.transaction(async (transaction) => {
    const written = await write(house, row, coach.name, transaction);
    await insertInvitation(house, written, transaction);
    return written;
  });
  return invitationOf(house, made);
}

/** An invitation that was not accepted yet. */
async function waiting(house: House, id: string, transaction: Transaction): Promise<InvitationRow> {
  const row = await findInvitation(house, id, transaction);
  if (!row) throw new ContractError('not-found');
  if (row.acceptedAt) throw new ContractError('not-now', { message: `${row.name} has accepted it already.` });
  return row;
}

export async function inviteAgain(house: House, coach: Account, id: string): Promise<Invitation> {
  const made = await house.db.sequelize.transaction(async (transaction) => {
    const { digest, letterId, madeAt, expiresAt, ...row } = await write(
      house,
      await waiting(house, id, transaction),
      coach.name,
      transaction,
    );
    await changeInvitation(house, id, { digest, letterId, madeAt, expiresAt }, transaction);
    return { ...row, digest, letterId, madeAt, expiresAt };
  });
  return invitationOf(house, made);
}

export async function takeBackInvitation(house: House, id: string): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const { letterId } = await waiting(house, id, transaction);
    if (letterId) await linkUsed(house, letterId, transaction);
    await deleteInvitation(house, id, transaction);
  });
}

export const listInvitations = async (house: House): Promise<Invitation[]> =>
  Promise.all((await findInvitations(house)).map((row) => invitationOf(house, row)));

const gone = (): ContractError =>
  new ContractError('address-expired', {
    message: 'This link has been used, taken back, or is too old. Ask your coach for another.',
  });

/** What a link invites to, for as long as it opens. */
async function opened(house: House, token: string, transaction?: Transaction): Promise<InvitationRow> {
  const row = await findInvitationByDigest(house, digestOf(token), transaction);
  if (!row || row.acceptedAt || row.expiresAt <= house.now()) throw gone();
  return row;
}

export async function readInvitation(house: House, token: string): Promise<ResponseOf<typeof contract.readInvitation>> {
  const row = await opened(house, token);
  const { role, name, email, clientName } = await invitationOf(house, row);
  return { role, name, email, clientName, from: (await findAccount(house, row.invitedBy))?.name ?? 'Your coach' };
}

/** Makes the account that was invited, and its client where it is one. Of two who come by the same link one is taken. */
export async function acceptInvitation(house: House, token: string, password: string): Promise<Account> {
  const passwordHash = await hashNew(password, await opened(house, token));
  const accountId = house.newId();
  await house.db.sequelize.transaction(async (transaction) => {
    const { id, role, name, email, clientId, level, bornOn, letterId } = await opened(house, token, transaction);
    if (await findAccountByEmail(house, email)) throw inUse(email);
    const clients = clientId ? [clientId] : role === 'client' ? [house.newId()] : [];
    if (role === 'client')
      await insertClient(house, { id: clients[0]!, name, level: level ?? 1, bornOn, about: '', hurts: [], agreements: [] }, transaction);
    await insertAccount(house, { id: accountId, name, email, role, passwordHash, demo: false }, clients, transaction);
    await changeInvitation(house, id, { acceptedAt: house.now() }, transaction);
    if (letterId) await linkUsed(house, letterId, transaction);
  });
  return (await findAccount(house, accountId))!;
}
