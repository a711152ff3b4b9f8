import { boutUsage } from '@lean-mentor/core/scoring';
import {
  intake,
  sentMoment,
  type Critique,
  type CritiqueGlance,
  type Footage,
  type PhraseBook,
  type AnswerTake,
  type Question,
  type Request,
} from '@lean-mentor/contract';
import { blockText } from '@lean-mentor/core/critique';
import type { ForkChosen } from '@lean-mentor/core/followup';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { AnswerTakeRow, CritiqueRow, HeardRow, QuestionRow, SentFixRow, VersionRow } from './model.ts';

const within = (transaction?: Transaction) => transaction && { transaction };

export const findCritiqueRow = async ({ db }: House, id: string, transaction?: Transaction): Promise<CritiqueRow | null> =>
  plain(await db.critiques.findByPk(id, { ...within(transaction) }));

export const findCritiqueOfRequest = async ({ db }: House, requestId: string, transaction?: Transaction): Promise<CritiqueRow | null> =>
  plain(await db.critiques.findOne({ where: { requestId }, ...within(transaction) }));

export const findCritiqueByCode = async ({ db }: House, code: string): Promise<CritiqueRow | null> =>
  plain(await db.critiques.findOne({ where: { code } }));

export async function putCritique({ db }: House, row: CritiqueRow, transaction?: Transaction): Promise<void> {
  await db.critiques.upsert(row, { ...within(transaction) });
}

export async function changeCritique({ db }: House, id: string, fields: Partial<CritiqueRow>, transaction: Transaction): Promise<void> {
  await db.critiques.update(fields, { where: { id }, transaction });
}

export const findVersion = async (
  { db }: House,
  critiqueId: string,
  version: number,
  transaction?: Transaction,
): Promise<VersionRow | null> => plain(await db.critiqueVersions.findOne({ where: { critiqueId, version }, ...within(transaction) }));

/** What of requests was sent and stands, oldest first. */
export async function findSentVersions({ db }: House, requestIds: readonly string[]): Promise<(VersionRow & { requestId: string })[]> {
  const critiques = plainAll(await db.critiques.findAll({ where: { requestId: [...requestIds], version: { [Op.gt]: 0 } } }));
  const versions = plainAll(
    await db.critiqueVersions.findAll({
      where: { [Op.or]: critiques.map(({ id, version }) => ({ critiqueId: id, version })) },
      order: [['sentAt', 'ASC']],
    }),
  );
  return versions.map((version) => ({ ...version, requestId: critiques.find(({ id }) => id === version.critiqueId)!.requestId }));
}

/** What clients chose where critiques of these requests, as they stand, asked what they would do. Only answered ones are read whole. */
export async function findForksChosen({ db }: House, requestIds: readonly string[]): Promise<ForkChosen[]> {
  if (requestIds.length === 0) return [];
  const answered = await db.sequelize.query<{ id: string; version: number; forkChoices: string | CritiqueRow['forkChoices'] }>(
    "SELECT id, version, fork_choices AS forkChoices FROM critiques WHERE request_id IN (:ids) AND version > 0 AND fork_choices <> '{}'",
    { replacements: { ids: [...requestIds] }, type: QueryTypes.SELECT },
  );
  if (answered.length === 0) return [];
  const versions = plainAll(
    await db.critiqueVersions.findAll({
      attributes: ['critiqueId', 'moments'],
      where: { [Op.or]: answered.map(({ id, version }) => ({ critiqueId: id, version })) },
    }),
  );
  return versions.flatMap(({ critiqueId, moments }) => {
    const choices = jsonOf<CritiqueRow['forkChoices']>(answered.find(({ id }) => id === critiqueId)!.forkChoices);
    return moments.flatMap(({ note: { id, fork, principleId } }) => {
      const chosen = fork && choices[id];
      return chosen ? [{ principleId, choice: chosen.choice }] : [];
    });
  });
}

/** Clients to whom something was sent since an instant. */
export async function findSentToSince({ db }: House, since: Date): Promise<string[]> {
  const rows = await db.sequelize.query<{ clientId: string }>(
    'SELECT DISTINCT r.client_id AS clientId FROM critiques c JOIN requests r ON r.id = c.request_id WHERE c.sent_at >= :since',
    { replacements: { since }, type: QueryTypes.SELECT },
  );
  return rows.map(({ clientId }) => clientId);
}

/** When each version of a critique was sent, oldest first. */
export async function listVersions({ db }: House, critiqueId: string): Promise<{ version: number; sentAt: Date }[]> {
  const rows = plainAll(
    await db.critiqueVersions.findAll({ attributes: ['version', 'sentAt'], where: { critiqueId }, order: [['version', 'ASC']] }),
  );
  return rows.map(({ version, sentAt }) => ({ version, sentAt }));
}

/** Keeps a version, and its fixes as those that stand. */
export async function addVersion(house: House, row: VersionRow, transaction?: Transaction): Promise<void> {
  await house.db.critiqueVersions.create(row, { ...within(transaction) });
  await putSentFixes(house, row, transaction);
}

export async function dropVersion({ db }: House, critiqueId: string, version: number, transaction: Transaction): Promise<void> {
  await db.critiqueVersions.destroy({ where: { critiqueId, version }, transaction });
}

/** Sets the fixes that stand: those of a version, or none. */
export async function putSentFixes(
  { db }: House,
  { critiqueId, fixes }: Pick<VersionRow, 'critiqueId' | 'fixes'>,
  transaction?: Transaction,
): Promise<void> {
  await db.sentFixes.destroy({ where: { critiqueId }, ...within(transaction) });
  const rows: SentFixRow[] = fixes.map(({ position, fixId, principleId, noteIds }) => ({
    critiqueId,
    position,
    fixId,
    principleId,
    noteIds,
  }));
  await db.sentFixes.bulkCreate(rows, { ...within(transaction) });
}

/** Marks a critique read now unless it was before. */
export async function setRead({ db, now }: House, id: string): Promise<void> {
  await db.critiques.update({ readAt: now() }, { where: { id, readAt: null } });
}

/** Keeps when the version that stands was read, before another takes its place. */
export async function keepRead({ db }: House, { id, version, readAt }: CritiqueRow, transaction: Transaction): Promise<void> {
  await db.critiqueVersions.update({ readAt }, { where: { critiqueId: id, version }, transaction });
}

const withoutRecording = ({ cuts: _, denoise: __, ...heard }: AnswerTakeRow): AnswerTake => heard;

export const questionOf = ({ answerTake, ...row }: QuestionRow): Question => ({
  ...row,
  answerTake: answerTake && withoutRecording(answerTake),
  askedAt: row.askedAt.toISOString(),
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

/** Questions about a critique, oldest first. */
export const findQuestions = async ({ db }: House, critiqueId: string): Promise<Question[]> =>
  plainAll(await db.questions.findAll({ where: { critiqueId }, order: [['askedAt', 'ASC']] })).map(questionOf);

/** Questions about any of these critiques, newest first. */
export const findQuestionsOf = async ({ db }: House, critiqueIds: string[]): Promise<Question[]> =>
  plainAll(await db.questions.findAll({ where: { critiqueId: critiqueIds }, order: [['askedAt', 'DESC']] })).map(questionOf);

export const findQuestion = async ({ db }: House, id: string, transaction?: Transaction): Promise<QuestionRow | null> =>
  plain(await db.questions.findByPk(id, { ...within(transaction) }));

/** Takes a question; one of its id that is there already stays as it is. */
export async function insertQuestion({ db }: House, row: QuestionRow, transaction: Transaction): Promise<void> {
  await db.questions.bulkCreate([row], { ignoreDuplicates: true, transaction });
}

export async function changeQuestion({ db }: House, id: string, fields: Partial<QuestionRow>, transaction: Transaction): Promise<void> {
  await db.questions.update(fields, { where: { id }, transaction });
}

/** Where these notes lie, as far as they are of requests of this client that the coach may see. */
export const findNotesOfClient = (
  { db }: House,
  clientId: string,
  noteIds: readonly string[],
): Promise<{ id: string; requestId: string }[]> =>
  db.sequelize.query<{ id: string; requestId: string }>(
    `SELECT n.id, n.request_id AS requestId FROM notes n JOIN requests r ON r.id = n.request_id
     WHERE n.id IN (:noteIds) AND r.client_id = :clientId AND r.state NOT IN ('draft', 'guardian', 'withdrawn')`,
    { replacements: { clientId, noteIds }, type: QueryTypes.SELECT },
  );

const mostOpen = 500;
/** A question that waits, with whose it is and the fixes of the version that stands. */
export type OpenQuestion = QuestionRow & { clientName: string; fixes: VersionRow['fixes'] };

/** Questions that wait for the coach, oldest first. */
export async function findOpenQuestions({ db }: House): Promise<OpenQuestion[]> {
  const open = plainAll(await db.questions.findAll({ where: { answeredAt: null }, order: [['askedAt', 'ASC']], limit: mostOpen }));
  if (open.length === 0) return [];
  const about = await db.sequelize.query<{ id: string; clientName: string; fixes: string | VersionRow['fixes'] }>(
    `SELECT k.id, c.name AS clientName, v.fixes FROM critiques k JOIN requests r ON r.id = k.request_id JOIN clients c ON c.id = r.client_id
     JOIN critique_versions v ON v.critique_id = k.id AND v.version = k.version WHERE k.id IN (:ids)`,
    { replacements: { ids: [...new Set(open.map(({ critiqueId }) => critiqueId))] }, type: QueryTypes.SELECT },
  );
  const byId = new Map(about.map(({ id, clientName, fixes }) => [id, { clientName, fixes: jsonOf(fixes) }]));
  return open.flatMap((row) => {
    const critique = byId.get(row.critiqueId);
    return critique ? [{ ...row, ...critique }] : [];
  });
}

/** Critiques of requests that stand, newest first, as lists show them. */
export async function findGlances(house: House, requestIds: string[]): Promise<CritiqueGlance[]> {
  const { db } = house;
  if (requestIds.length === 0) return [];
  const rows = plainAll(
    await db.critiques.findAll({
      attributes: { exclude: ['doc'] },
      where: { requestId: requestIds, sentAt: { [Op.not]: null } },
      order: [['sentAt', 'DESC']],
    }),
  );
  const ids = rows.map(({ id }) => id);
  const versions = plainAll(
    await db.critiqueVersions.findAll({ attributes: ['critiqueId', 'version', 'doc', 'fixes'], where: { critiqueId: ids } }),
  );
  const open = plainAll(await db.questions.findAll({ attributes: ['critiqueId'], where: { critiqueId: ids, answeredAt: null } }));
  return rows.flatMap(({ id, requestId, sentAt, readAt, version }) => {
    const sent = versions.find((one) => one.critiqueId === id && one.version === version);
    if (!sent) return [];
    const opening = sent.doc.content.find((block) => block.type === 'paragraph' && blockText(block) !== '');
    return {
      id,
      requestId,
      version,
      sentAt: sentAt!.toISOString(),
      readAt: readAt?.toISOString() ?? null,
      fixes: sent.fixes,
      opening: opening ? blockText(opening) : '',
      openQuestions: open.filter(({ critiqueId }) => critiqueId === id).length,
    };
  });
}

const phraseBookName = 'phrase-book';

export async function findPhraseBook({ db }: House): Promise<PhraseBook> {
  return (plain(await db.practiceSettings.findByPk(phraseBookName))?.value as PhraseBook | undefined) ?? { phrases: [], templates: [] };
}

export async function putPhraseBook({ db }: House, value: PhraseBook): Promise<void> {
  await db.practiceSettings.upsert({ name: phraseBookName, value });
}

/** A version of a sent critique as the contract words it. */
export function critiqueOf(
  row: CritiqueRow,
  sent: VersionRow,
  request: Request,
  beside: Pick<Critique, 'versions' | 'clips' | 'questions' | 'takeBackUntil' | 'takes'> & { otherFootages: readonly Footage[] },
): Critique {
  const { otherFootages, ...rest } = beside;
  return {
    ...rest,
    id: row.id,
    requestId: row.requestId,
    clientId: request.clientId,
    clientName: request.clientName,
    coachName: sent.coachName,
    asked: intake.parse(request),
    version: sent.version,
    doc: sent.doc,
    fixes: sent.fixes,
    // What was sent by an earlier version of this program lacks what notes have gained since.
    moments: sent.moments.map((moment) => sentMoment.parse(moment)),
    sentAt: sent.sentAt.toISOString(),
    readAt: row.readAt?.toISOString() ?? null,
    understood: row.understood,
    forkChoices: row.forkChoices,
    code: row.code ?? '',
    footages: [...request.footages, ...otherFootages].map(({ id, state, seconds, width, height, bouts }, i) => ({
      id,
      state,
      earlier: i >= request.footages.length,
      bouts: sent.writtenFrom?.footages.find((one) => one.id === id)?.bouts ?? bouts,
      seconds: seconds ?? 0,
      width: width ?? 16,
      height: height ?? 9,
    })),
    scores: (sent.writtenFrom?.scores ?? []).map(({ boutId, sheet, score }) => {
      const bout = sent.writtenFrom!.footages.flatMap(({ bouts }) => bouts).find(({ id }) => id === boutId);
      const afterFinish = bout?.afterFinish ?? boutUsage(request, sheet).afterFinish;
      const { winner, decidedBy, falls, score: points } = score;
      const taps = afterFinish === 'restarts' ? (falls ?? []) : [];
      return { boutId, sheet: sheet.name, winner, decidedBy, score: points, falls: taps.map(({ athlete }) => ({ athlete })) };
    }),
  };
}

type HeardPlace = Pick<HeardRow, 'critiqueId' | 'version' | 'place'>;

/** What was listened to of something spoken, in the order in which it was. */
export async function findHeard({ db }: House, at: HeardPlace, transaction?: Transaction): Promise<HeardRow['stretches']> {
  const row = plain(await db.takesHeard.findOne({ where: { ...at }, ...(transaction && { transaction, lock: transaction.LOCK.UPDATE }) }));
  return row?.stretches ?? [];
}

export async function putHeard({ db }: House, row: HeardRow, transaction: Transaction): Promise<void> {
  await db.takesHeard.upsert(row, { transaction });
}

/** Spoken answers about a critique whose voice has not been made ready. */
export const findSilentAnswers = async ({ db }: House, critiqueId: string): Promise<QuestionRow[]> =>
  plainAll(await db.questions.findAll({ where: { critiqueId } })).filter(({ answerTake }) => answerTake?.ready === false);
