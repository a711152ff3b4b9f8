import { Op, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { ForgottenRow, InvitationRow } from './model.ts';

const locked = (transaction: Transaction) => ({ transaction, lock: transaction.LOCK.UPDATE });

export const findInvitations = async ({ db }: House): Promise<InvitationRow[]> =>
  plainAll(await db.invitations.findAll({ order: [['madeAt', 'DESC']], limit: 200 }));

export const findInvitation = async ({ db }: House, id: string, transaction: Transaction): Promise<InvitationRow | null> =>
  plain(await db.invitations.findByPk(id, locked(transaction)));

export const findInvitationByDigest = async ({ db }: House, digest: string, transaction?: Transaction): Promise<InvitationRow | null> =>
  plain(await db.invitations.findOne({ where: { digest }, ...(transaction && locked(transaction)) }));

export const findOpenInvitation = async ({ db }: House, email: string, after: Date): Promise<InvitationRow | null> =>
  plain(await db.invitations.findOne({ where: { email, acceptedAt: null, expiresAt: { [Op.gt]: after } } }));

export async function insertInvitation({ db }: House, row: InvitationRow, transaction: Transaction): Promise<void> {
  await db.invitations.create(row, { transaction });
}

export async function changeInvitation({ db }: House, id: string, fields: Partial<InvitationRow>, transaction: Transaction): Promise<void> {
  await db.invitations.update(fields, { where: { id }, transaction });
}

export async function deleteInvitation({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.invitations.destroy({ where: { id }, transaction });
}

/** How many letters about a forgotten password an account was written since. */
export const countForgotten = ({ db }: House, accountId: string, since: Date): Promise<number> =>
  db.forgottenPasswords.count({ where: { accountId, madeAt: { [Op.gt]: since } } });

export async function insertForgotten({ db }: House, row: ForgottenRow, transaction: Transaction): Promise<void> {
  await db.forgottenPasswords.create(row, { transaction });
}

export const findForgotten = async ({ db }: House, digest: string, transaction: Transaction): Promise<ForgottenRow | null> =>
  plain(await db.forgottenPasswords.findByPk(digest, locked(transaction)));

/** Every link of an account for a forgotten password, used or not. */
export async function deleteForgottenOf({ db }: House, accountId: string, transaction: Transaction): Promise<void> {
  await db.forgottenPasswords.destroy({ where: { accountId }, transaction });
}
