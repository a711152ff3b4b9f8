import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Critique, Request, ResponseOf, SentMoment } from '@lean-mentor/contract';
import {
  blockText,
  comparedIn,
  draftCritique as draftOfWork,
  fixBlocks,
  heardOf,
  momentsOf,
  runningOrder,
  takesOf,
  type CritiqueDoc,
  type DraftInput,
} from '@lean-mentor/core/critique';
import { sparedOf } from '@lean-mentor/core/book';
import { fixWarnings, guardedKinds, mostFixes } from '@lean-mentor/core/fixes';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findAccountsOfClient } from '../access/index.ts';
import { indexWords } from '../search/index.ts';
import { ladderFacts, recordSentOrder, type LadderFacts } from '../fixes/index.ts';
import { findFootages } from '../footage/index.ts';
import { postLetters } from '../letters/index.ts';
import { changeRequest, findRequest, lockRequest, requestAnswered } from '../requests/index.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { spokenFolder, stillsFolder } from '../../storage/index.ts';
import { critiqueLetter, takenBackLetter } from './critiqueLetters.ts';
import { sentBesideOf } from './beside.ts';
import { takesToSend } from './spoken.ts';
import { clinicianSentences, draftOf } from './draftOf.ts';
import { notesElsewhere } from './elsewhere.ts';
import type { CritiqueRow, VersionRow, WrittenFrom } from './model.ts';
import { getCritique } from './reading.ts';
import {
  addVersion,
  keepRead,
  changeCritique,
  dropVersion,
  findCritiqueByCode,
  findCritiqueOfRequest,
  findCritiqueRow,
  findVersion,
  putCritique,
  putSentFixes,
} from './repository.ts';
import { footagesOfMoments, sentFixesOf, sentMomentOf } from './sentMoment.ts';
import { shortCodeOf } from './shortCode.ts';
import { takeBackUntil } from './takeBack.ts';

const refused = (message: string): ContractError => new ContractError('not-valid', { message });

async function requestOr404(house: House, requestId: string): Promise<Request> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  return request;
}

const sameDoc = (a: CritiqueDoc | null, b: CritiqueDoc | null): boolean => JSON.stringify(a) === JSON.stringify(b);

export async function getCritiqueDraft(house: House, requestId: string): Promise<ResponseOf<typeof contract.getCritiqueDraft>> {
  const request = await requestOr404(house, requestId);
  const [row, people] = await Promise.all([findCritiqueOfRequest(house, requestId), findAccountsOfClient(house, request.clientId)]);
  const sent = row && row.version > 0 ? await findVersion(house, row.id, row.version) : null;
  return {
    doc: row?.doc ?? null,
    revision: row?.revision ?? 0,
    critiqueId: row?.id ?? null,
    version: row?.version ?? 0,
    sentAt: row?.sentAt?.toISOString() ?? null,
    takeBackUntil: row ? takeBackUntil(house, row) : null,
    changed: row !== null && !sameDoc(row.doc, sent?.doc ?? null),
    recipients: people.map(({ name, role, email }) => ({ name, role, email })),
  };
}

/** Puts what is written in place of what was; `expected` is the revision it is based on. Answers the new one. */
async function keepDoc(
  house: House,
  requestId: string,
  doc: CritiqueDoc,
  expected: number | null,
): Promise<{ revision: number; before: CritiqueDoc | null }> {
  return house.db.sequelize.transaction(async (transaction) => {
    await lockRequest(house, requestId, transaction);
    const row = await findCritiqueOfRequest(house, requestId, transaction);
    const revision = row?.revision ?? 0;
    if (expected !== null && expected !== revision) throw new ContractError('changed-meanwhile');
    const fresh: CritiqueRow = {
      id: house.newId(),
      requestId,
      doc,
      revision: 1,
      version: 0,
      sentAt: null,
      readAt: null,
      understood: {},
      forkChoices: {},
      code: null,
    };
    if (row) await changeCritique(house, row.id, { doc, revision: revision + 1 }, transaction);
    else await putCritique(house, fresh, transaction);
    return { revision: revision + 1, before: row?.doc ?? null };
  });
}

/** What a critique of this request says, written or spoken, as far as the work on the desk says it. */
async function saidOf(house: House, facts: LadderFacts): Promise<DraftInput> {
  const pairIds = Object.values(facts.document.notes).flatMap(({ pairId }) => pairId ?? []);
  return draftOf({ ...facts, elsewhere: await notesElsewhere(house, facts, pairIds) });
}

export async function getRunningOrder(house: House, requestId: string): Promise<ResponseOf<typeof contract.getRunningOrder>> {
  const facts = await ladderFacts(house, requestId);
  return runningOrder(facts.client.name, await saidOf(house, facts));
}

export async function draftCritique(house: House, requestId: string): Promise<ResponseOf<typeof contract.draftCritique>> {
  const doc = draftOfWork(await saidOf(house, await ladderFacts(house, requestId)));
  return { doc, ...(await keepDoc(house, requestId, doc, null)) };
}

export async function saveCritiqueDraft(
  house: House,
  requestId: string,
  { doc, revision }: BodyOf<typeof contract.saveCritiqueDraft>,
): Promise<ResponseOf<typeof contract.saveCritiqueDraft>> {
  await requestOr404(house, requestId);
  return { revision: (await keepDoc(house, requestId, doc, revision)).revision };
}

/** The moments a critique shows, as they are now. Refused where one is gone, hidden from the client, or not ready to be shown. */
async function momentsToSend(house: House, facts: LadderFacts, doc: CritiqueDoc): Promise<SentMoment[]> {
  const elsewhere = await notesElsewhere(house, facts, momentsOf(doc));
  const heard = heardOf(doc);
  const compared = new Set(comparedIn(doc));
  const moments = momentsOf(doc).map((noteId) => {
    const { document, tables } = elsewhere.get(noteId) ?? facts;
    const moment = sentMomentOf(document, noteId, tables);
    const { footageId } = document.notes[noteId] ?? {};
    // Written on what was there of it, and the rest still comes.
    if (facts.request.footages.some(({ id, soFar }) => id === footageId && soFar)) throw new ContractError('footage-not-ready');
    if (!moment) throw refused('A moment in the critique is not on the desk any more. Take it out, or put the note back.');
    if (moment.note.visible === 'coach') throw refused('One of these moments is for our eyes only. Take it out, or let the client see it.');
    if (heard.get(noteId)?.trim() === '')
      throw refused('A clip has sound, and nothing says what is heard in it. Write that down for who cannot hear it, or let it be silent.');
    return moment;
  });
  return Promise.all(
    moments.map(async (moment) => {
      if (!compared.has(moment.note.id)) return moment;
      const beside = await sentBesideOf(house, facts.request.id, facts.document, moment.note.id);
      if (!beside)
        throw refused(
          `What was laid beside “${moment.note.what}” is not there any more. Lay it beside others anew on the desk, or show the moment as a clip.`,
        );
      return { ...moment, beside };
    }),
  );
}

/** What a critique is written from, as it is now. */
async function writtenFromOf(house: House, { request, bouts }: LadderFacts, moments: readonly SentMoment[]): Promise<WrittenFrom> {
  const own = new Set(request.footages.map(({ id }) => id));
  const away = footagesOfMoments(moments).filter((id) => !own.has(id));
  const footages = [...request.footages, ...(away.length > 0 ? await findFootages(house, away) : [])];
  return {
    footages: footages.map((footage) => ({ id: footage.id, bouts: footage.bouts })),
    scores: bouts.flatMap(({ bout, sheet, harm }) => (harm ? [{ boutId: bout.id, sheetId: bout.sheetId, sheet, score: harm.score }] : [])),
  };
}

/** The words of every caution, in fixes too. */
const cautionTexts = ({ content }: CritiqueDoc): string[] =>
  content
    .flatMap((block) => (block.type === 'fix' ? block.content : [block]))
    .flatMap((block) => (block.type === 'caution' ? [blockText(block)] : []));

/** What clashes with an injury, an age or the rules needs the coach's reason before it goes out (docs/domain.md §12). */
function refuseUnanswered(facts: LadderFacts, doc: CritiqueDoc): void {
  const { request, client, principles, drills, sheet, given, choice } = facts;
  const fixes = fixBlocks(doc).flatMap(({ attrs }) => principles.find(({ id }) => id === attrs.principleId) ?? []);
  const warnings = fixWarnings({
    client: { ...client, ...sparedOf(client, request) },
    fixes,
    drills,
    praise: 1,
    sheet,
    given,
    answered: true,
  });
  const open = warnings.find(
    ({ kind, principleId }) =>
      guardedKinds.includes(kind) && !choice.overrides.some((one) => one.kind === kind && one.principleId === principleId),
  );
  if (open) throw refused(`${open.words} Say on the ladder why it goes out all the same, or take it out.`);
  const written = cautionTexts(doc);
  const missing = clinicianSentences(facts).find((sentence) => !written.some((text) => text.includes(sentence)));
  if (missing) throw refused(`A caution has to say: “${missing}” Put it in, or write down on the client’s page what the clinician said.`);
}

/** A code that no other critique has. */
async function freshCode(house: House): Promise<string> {
  for (;;) {
    const code = shortCodeOf(house.newId());
    if (!(await findCritiqueByCode(house, code))) return code;
  }
}

/** Keeps the critique as it is now, tells client and guardian by letter, and closes the request: all or nothing. */
export async function sendCritique(
  house: House,
  coach: Account,
  requestId: string,
  { revision }: BodyOf<typeof contract.sendCritique>,
): Promise<Critique> {
  const code = await freshCode(house);
  const critiqueId = await house.db.sequelize.transaction(async (transaction) => {
    const locked = await lockRequest(house, requestId, transaction);
    if (locked?.state === 'withdrawn') throw new ContractError('not-now');
    // Only now: whoever edits the desk waits for the same lock, so that nothing changes between what is read here and what goes out.
    const facts = await ladderFacts(house, requestId);
    const { request, tables } = facts;
    if (tables.size === 0) throw new ContractError('footage-not-ready');
    const draft = await findCritiqueOfRequest(house, requestId, transaction);
    if (!draft?.doc) throw refused('Nothing is written yet. Draft the critique first.');
    if (draft.revision !== revision) throw new ContractError('changed-meanwhile');
    const standing = draft.version > 0 ? await findVersion(house, draft.id, draft.version, transaction) : null;
    if (standing && sameDoc(standing.doc, draft.doc)) throw new ContractError('nothing-to-send');
    const { doc } = draft;
    if (fixBlocks(doc).length === 0 && momentsOf(doc).length === 0 && takesOf(doc).length === 0)
      throw refused('Show at least one moment, or one fix, or say something over the footage.');
    if (fixBlocks(doc).length > mostFixes)
      throw refused(`${fixBlocks(doc).length} fixes; ${mostFixes} are the most that one critique carries.`);
    refuseUnanswered(facts, doc);
    const moments = await momentsToSend(house, facts, doc);
    const takes = await takesToSend(house, facts, doc);
    const row: VersionRow = {
      critiqueId: draft.id,
      version: draft.version + 1,
      doc,
      fixes: sentFixesOf(doc),
      moments,
      takes,
      writtenFrom: await writtenFromOf(house, facts, moments),
      coachName: coach.name,
      sentAt: house.now(),
    };
    if (standing) await keepRead(house, draft, transaction);
    await addVersion(house, row, transaction);
    await changeCritique(
      house,
      draft.id,
      { version: row.version, sentAt: row.sentAt, readAt: null, code: draft.code ?? code },
      transaction,
    );
    await requestAnswered(house, requestId, transaction);
    await indexCritique(house, row, requestId, transaction);
    if (takes.length > 0) await enqueueJob(house, 'make-voices', draft.id, { transaction });
    // The first to open it, or to take it along, does not wait for them.
    await enqueueJob(house, 'make-pictures', draft.id, { transaction });
    await recordSentOrder(
      house,
      facts,
      row.fixes.map(({ fixId }) => fixId),
      transaction,
    );
    await postLetters(
      house,
      request.clientId,
      (person) => critiqueLetter(person, request.clientName, row, draft.code ?? code),
      transaction,
    );
    return draft.id;
  });
  return getCritique(house, coach, critiqueId);
}

const spokenWords = (takes: VersionRow['takes']): string[] => takes.flatMap(({ captions }) => captions.map(({ words }) => words));

/** What a critique is found by: the words of the version that stands. */
const indexCritique = (
  house: House,
  { critiqueId, doc, takes, sentAt }: VersionRow,
  requestId: string,
  transaction: Transaction,
): Promise<void> =>
  indexWords(
    house,
    { id: critiqueId, entry: 'critique', requestId, words: [...doc.content.map(blockText), ...spokenWords(takes)].join('\n'), at: sentAt },
    transaction,
  );

/** What stood before the newest version stands again; of a first one, the request is the coach's to answer once more. */
async function standAgain(house: House, row: CritiqueRow, transaction: Transaction): Promise<void> {
  await dropVersion(house, row.id, row.version, transaction);
  const earlier = row.version > 1 ? await findVersion(house, row.id, row.version - 1, transaction) : null;
  await putSentFixes(house, { critiqueId: row.id, fixes: earlier?.fixes ?? [] }, transaction);
  await changeCritique(
    house,
    row.id,
    { version: row.version - 1, sentAt: earlier?.sentAt ?? null, readAt: earlier?.readAt ?? null },
    transaction,
  );
  if (earlier) await indexCritique(house, earlier, row.requestId, transaction);
  else await indexWords(house, { id: row.id, entry: 'critique', requestId: row.requestId, words: null, at: house.now() }, transaction);
  if (!earlier) await changeRequest(house, row.requestId, { state: 'waiting' }, transaction);
}

export async function takeBackCritique(house: House, coach: Account, critiqueId: string): Promise<void> {
  const found = await findCritiqueRow(house, critiqueId);
  const request = found ? await findRequest(house, found.requestId) : null;
  if (!found || !request) throw new ContractError('not-found');
  await house.db.sequelize.transaction(async (transaction) => {
    await lockRequest(house, found.requestId, transaction);
    const row = await findCritiqueRow(house, critiqueId, transaction);
    if (!row?.sentAt || takeBackUntil(house, row) === null) throw new ContractError('too-late-to-take-back');
    await standAgain(house, row, transaction);
    await postLetters(
      house,
      request.clientId,
      (person) => takenBackLetter(person, request.clientName, coach.name, row.version),
      transaction,
    );
  });
  // The next version takes this one's number, and makes stills of its own.
  await house.storage.remove(stillsFolder(critiqueId));
  await house.storage.remove(spokenFolder(critiqueId));
}
