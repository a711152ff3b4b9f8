import { intake, sentFix, type Critique, type Request } from '@lean-mentor/contract';
import { Op, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
import type { CritiqueRow } from './model.ts';

export const findCritiqueRow = async ({ db }: House, id: string): Promise<CritiqueRow | null> => plain(await db.critiques.findByPk(id));

export const findCritiqueOfRequest = async ({ db }: House, requestId: string, transaction?: Transaction): Promise<CritiqueRow | null> =>
  plain(await db.critiques.findOne({ where: { requestId }, ...(transaction && { transaction }) }));

/** Sent critiques of requests, newest first. */
export const findSentCritiques = async ({ db }: House, requestIds: string[]): Promise<CritiqueRow[]> =>
  plainAll(await db.critiques.findAll({ where: { requestId: requestIds, sentAt: { [Op.not]: null } }, order: [['sentAt', 'DESC']] }));

export async function putCritique({ db }: House, row: CritiqueRow, transaction?: Transaction): Promise<void> {
  await db.critiques.upsert(row, { ...(transaction && { transaction }) });
}

/** Marks a critique read now unless it was before. */
export async function setRead({ db, now }: House, id: string): Promise<void> {
  await db.critiques.update({ readAt: now() }, { where: { id, readAt: null } });
}

/** A sent critique as the contract words it. */
export function critiqueOf(row: CritiqueRow, request: Request): Critique {
  return {
    id: row.id,
    requestId: row.requestId,
    clientId: request.clientId,
    clientName: request.clientName,
    coachName: row.coachName,
    asked: intake.parse(request),
    opening: row.opening,
    sentAt: row.sentAt!.toISOString(),
    readAt: row.readAt?.toISOString() ?? null,
    // What was sent by an earlier version lacks what notes have gained since.
    fixes: row.fixes.map((fix) => sentFix.parse(fix)),
    footages: request.footages.map(({ id, state, seconds, width, height, bouts }) => ({
      id,
      state,
      seconds: seconds ?? 0,
      width: width ?? 16,
      height: height ?? 9,
      bouts,
    })),
  };
}
