import { intake, type Client, type Draft, type Footage, type Request } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import { findClients } from '../clients/index.ts';
import { findFootagesOfRequests } from '../footage/index.ts';
import type { RequestRow } from './model.ts';

const mostListed = 500;

/** Who reads: the coaching side is shown the footage that was let go, the client's side all. */
export type Readers = 'coaching' | 'client';
const shownTo = (readers: Readers, footages: readonly Footage[] = []): Footage[] =>
  footages.filter(({ released }) => readers === 'client' || released);

/** What drafts and requests show alike: their client and footages. */
interface Standing {
  clientOf: Map<string, Client>;
  footagesOf: Map<string, Footage[]>;
}
async function standingOf(house: House, rows: RequestRow[]): Promise<Standing> {
  const [clients, footagesOf] = await Promise.all([
    findClients(house, [...new Set(rows.map((r) => r.clientId))]),
    findFootagesOfRequests(
      house,
      rows.map((r) => r.id),
    ),
  ]);
  return { clientOf: new Map(clients.map((c) => [c.id, c])), footagesOf };
}

/** Rows with their client's name, footages and sent critique. */
async function requestsOf(house: House, rows: RequestRow[], readers: Readers, known?: Standing): Promise<Request[]> {
  if (rows.length === 0) return [];
  const [{ clientOf, footagesOf }, critiques] = await Promise.all([
    known ?? standingOf(house, rows),
    house.db.sequelize.query<{ id: string; requestId: string }>(
      'SELECT id, request_id AS requestId FROM critiques WHERE sent_at IS NOT NULL AND request_id IN (:ids)',
      { replacements: { ids: rows.map((r) => r.id) }, type: QueryTypes.SELECT },
    ),
  ]);
  const critiqueOf = new Map(critiques.map((c) => [c.requestId, c.id]));
  return rows.map((row) => ({
    ...intake.parse(row.intake),
    id: row.id,
    clientId: row.clientId,
    state: row.state,
    exchange: row.exchange,
    sentAt: row.sentAt.toISOString(),
    dueAt: row.dueAt.toISOString(),
    saidByAt: row.saidByAt?.toISOString() ?? null,
    stoppedAt: row.stoppedAt?.toISOString() ?? null,
    consentWithdrawnAt: row.consentWithdrawnAt?.toISOString() ?? null,
    clientName: clientOf.get(row.clientId)?.name ?? '',
    footages: shownTo(readers, footagesOf.get(row.id)),
    limits: row.limits,
    critiqueId: critiqueOf.get(row.id) ?? null,
  }));
}

/** A request that was sent. Those who read for the coaching side see only footage that was let go. */
export async function findRequest(house: House, id: string, readers: Readers = 'coaching'): Promise<Request | null> {
  const row = plain(await house.db.requests.findOne({ where: { id, state: { [Op.ne]: 'draft' } } }));
  return row ? ((await requestsOf(house, [row], readers))[0] ?? null) : null;
}

/** Newest first; all clients' that have reached the coach when `clientIds` is null. */
export async function listRequestsOfClients(house: House, clientIds: string[] | null, readers: Readers): Promise<Request[]> {
  const rows = await house.db.requests.findAll({
    where: {
      ...(clientIds && { clientId: clientIds }),
      state: { [Op.notIn]: readers === 'coaching' ? ['draft', 'guardian'] : ['draft'] },
    },
    order: [['sentAt', 'DESC']],
    limit: mostListed,
  });
  return requestsOf(house, plainAll(rows), readers);
}

/** A request that is open, with what its order goes by. */
export interface OpenRequest extends Request {
  clientLevel: number;
  readyAt: string;
  place: number | null;
}

/** Requests whose critique has not been sent, due first. */
export async function listOpenRequests(house: House): Promise<OpenRequest[]> {
  const rows = plainAll(
    await house.db.requests.findAll({
      where: { state: ['uploading', 'waiting', 'need-first'] },
      order: [['dueAt', 'ASC']],
      limit: mostListed,
    }),
  );
  const standing = await standingOf(house, rows);
  const requests = await requestsOf(house, rows, 'coaching', standing);
  return requests.map((request, i) => {
    const { clientId, readyAt, sentAt, place } = rows[i]!;
    return { ...request, clientLevel: standing.clientOf.get(clientId)?.level ?? 1, readyAt: (readyAt ?? sentAt).toISOString(), place };
  });
}

async function draftsOf(house: House, rows: RequestRow[]): Promise<Draft[]> {
  if (rows.length === 0) return [];
  const { clientOf, footagesOf } = await standingOf(house, rows);
  return rows.map((row) => ({
    id: row.id,
    clientId: row.clientId,
    clientName: clientOf.get(row.clientId)?.name ?? '',
    state: row.state,
    step: row.step,
    intake: row.intake,
    exchange: row.exchange,
    footages: footagesOf.get(row.id) ?? [],
    begunAt: row.sentAt.toISOString(),
    profile: { hurts: clientOf.get(row.clientId)?.hurts ?? [], guardianName: clientOf.get(row.clientId)?.guardianName ?? null },
  }));
}

export const listDraftsOfClients = async (house: House, clientIds: string[]): Promise<Draft[]> =>
  draftsOf(
    house,
    plainAll(await house.db.requests.findAll({ where: { clientId: clientIds, state: 'draft' }, order: [['sentAt', 'DESC']], limit: 50 })),
  );

export async function findDraft(house: House, id: string): Promise<Draft | null> {
  const row = plain(await house.db.requests.findOne({ where: { id, state: 'draft' } }));
  return row ? ((await draftsOf(house, [row]))[0] ?? null) : null;
}

export async function insertRequest({ db }: House, row: RequestRow, transaction?: Transaction): Promise<void> {
  await db.requests.create(row, { ...(transaction && { transaction }) });
}

export async function changeRequest({ db }: House, id: string, fields: Partial<RequestRow>, transaction?: Transaction): Promise<void> {
  await db.requests.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

export async function deleteRequest({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.requests.destroy({ where: { id }, transaction });
}

export const findWaitingForGuardian = async ({ db }: House, clientId: string): Promise<string[]> =>
  plainAll(await db.requests.findAll({ where: { clientId, state: 'guardian' }, attributes: ['id'] })).map(({ id }) => id);

/** Those that wait at a place by hand come one earlier. */
export async function movePlacesUp({ db }: House, transaction: Transaction): Promise<void> {
  await db.requests.increment({ place: -1 }, { where: { state: 'waiting', place: { [Op.gt]: 0 } }, transaction });
}

/** Every request that waits for the coach, locked, so that its promise is moved once. One whose clock stands has none that could pass. */
export const lockWaiting = async ({ db }: House, transaction: Transaction): Promise<RequestRow[]> =>
  plainAll(await db.requests.findAll({ where: { state: 'waiting' }, order: [['id', 'ASC']], transaction, lock: transaction.LOCK.UPDATE }));

/** The row of a request, locked, so that what belongs to it is changed one after another. Null when there is none. */
export const lockRequest = async ({ db }: House, id: string, transaction: Transaction): Promise<RequestRow | null> =>
  plain(await db.requests.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }));

/** Takes the names of a request's files and the words about its partners out of its rows, and out of what its critique was written from. */
export async function forgetPartnerWords({ db }: House, requestId: string, transaction: Transaction): Promise<void> {
  const run = (sql: string) => db.sequelize.query(sql, { replacements: { requestId }, type: QueryTypes.RAW, transaction });
  await run(`UPDATE footages SET file_name = CONCAT('removed ', position) WHERE request_id = :requestId`);
  await run(`UPDATE bouts b JOIN footages f ON f.id = b.footage_id SET b.partner_words = '' WHERE f.request_id = :requestId`);
  const critiques = plainAll(await db.critiques.findAll({ attributes: ['id'], where: { requestId }, transaction }));
  const versions = plainAll(await db.critiqueVersions.findAll({ where: { critiqueId: critiques.map(({ id }) => id) }, transaction }));
  for (const { critiqueId, version, writtenFrom } of versions) {
    if (!writtenFrom) continue;
    const footages = writtenFrom.footages.map((footage) => ({
      ...footage,
      bouts: footage.bouts.map((bout) => ({ ...bout, partnerWords: '' })),
    }));
    await db.critiqueVersions.update({ writtenFrom: { ...writtenFrom, footages } }, { where: { critiqueId, version }, transaction });
  }
}

/**
 * Critiques that may keep stills of a request's footage: its own, sent or in the making, and those of the client's other requests
 * that show a moment of it.
 */
export async function findCritiquesShowing(
  { db }: House,
  { id, clientId }: Pick<RequestRow, 'id' | 'clientId'>,
  footageIds: readonly string[],
  transaction: Transaction,
): Promise<string[]> {
  const places = ['$[*].note.footageId', '$[*].beside.items[*].footageId'];
  const shows = footageIds.flatMap((_, i) =>
    places.map((place) => `JSON_CONTAINS(JSON_EXTRACT(v.moments, '${place}'), JSON_QUOTE(:footage${i}))`),
  );
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT DISTINCT k.id FROM requests r JOIN critiques k ON k.request_id = r.id LEFT JOIN critique_versions v ON v.critique_id = k.id
     WHERE r.client_id = :clientId AND (${['r.id = :id', ...shows].join(' OR ')})`,
    {
      replacements: { id, clientId, ...Object.fromEntries(footageIds.map((footageId, i) => [`footage${i}`, footageId])) },
      type: QueryTypes.SELECT,
      transaction,
    },
  );
  return rows.map((row) => row.id);
}

/** Takes films off the list that show a footage beside their own; answers where their bytes lie. */
export async function takeFilmsComparing(
  { db }: House,
  footageId: string,
  transaction: Transaction,
): Promise<{ id: string; footageId: string }[]> {
  const films = await db.sequelize.query<{ id: string; footageId: string }>(
    'SELECT id, footage_id AS footageId FROM films WHERE JSON_CONTAINS(compared, JSON_QUOTE(:footageId)) FOR UPDATE',
    { replacements: { footageId }, type: QueryTypes.SELECT, transaction },
  );
  await db.films.destroy({ where: { id: films.map(({ id }) => id) }, transaction });
  return films;
}
