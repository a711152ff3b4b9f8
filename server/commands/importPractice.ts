import { copyFile, mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { basename, dirname, join, resolve } from 'node:path';
import { intake, practiceFile, type Billing, type PracticeFile } from '@lean-mentor/contract';
import { blockText, momentsOf, takesOf, type CritiqueDoc } from '@lean-mentor/core/critique';
import { emptyDesk, type DeskDocument } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { standingOn } from '@lean-mentor/core/plans';
import { tilingFault } from '@lean-mentor/core/scoring';
import { subDays } from 'date-fns';
import { hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import { putDesk } from '../features/desk/index.ts';
import { indexNotesOfRequest, indexTake, indexWords } from '../features/search/index.ts';
import { addVersion, putCritique, sentFixesOf, shortCodeOf, sentMomentOf } from '../features/critique/index.ts';
import { insertBout, insertFootage, newFootage } from '../features/footage/index.ts';
import {
  addEntry,
  billPlans,
  changeBilling,
  changePractice,
  findInvoices,
  findMemberships,
  findPlans,
  insertMembership,
  insertPlan,
} from '../features/practice/index.ts';
import { putDeskTime } from '../features/queue/index.ts';
import { insertRequest, newRequest } from '../features/requests/index.ts';
import { insertPain, insertWork, keepVerdict, putDone, putTraining } from '../features/work/index.ts';
import { findPrinciples } from '../features/book/index.ts';
import { finishTake, saveTakePiece } from '../features/takes/index.ts';
import type { House } from '../house/house.ts';
import { enqueueJob } from '../jobs/index.ts';
import { probe } from '../media/probe.ts';
import { readSourceTimes } from '../media/frameTimes.ts';
import { sniffFile } from '../media/sniffContainer.ts';
import { originalKey } from '../storage/index.ts';

type Wanted = PracticeFile['requests'][number];
type Footage = Wanted['footages'][number];
type Recording = Wanted['recordings'][number];

/** Footage that is not there any more: its name and how long it was. */
async function importRemoved(house: House, requestId: string, position: number, { id, seconds }: Footage): Promise<void> {
  const row = newFootage({ id, requestId, position, fileName: 'removed.mp4', byteSize: 0, changedAt: house.now() });
  await insertFootage(house, { ...row, state: 'removed', released: true, step: 'Removed', seconds });
}

async function importFootage(house: House, requestId: string, position: number, wanted: Footage, source: string): Promise<void> {
  for (const bout of wanted.bouts) {
    const fault = tilingFault(bout.spans, bout.fromFrame, bout.toFrame);
    if (fault) throw new Error(`${wanted.file}: ${fault}`);
  }
  // Storage takes over what it is given; the file beside the practice stays where it is.
  const folder = await mkdtemp(join(house.config.dataDir, 'import-'));
  const copy = join(folder, 'original');
  await copyFile(source, copy);
  await house.storage.putFile(originalKey(wanted.id), copy);
  await rm(folder, { recursive: true });
  await insertFootage(house, {
    ...newFootage({
      id: wanted.id,
      requestId,
      position,
      fileName: basename(source),
      byteSize: (await stat(source)).size,
      changedAt: house.now(),
    }),
    state: 'waiting',
    released: true,
    step: 'Waiting its turn',
    originalKey: originalKey(wanted.id),
  });
  for (const bout of wanted.bouts) await insertBout(house, { ...bout, footageId: wanted.id });
}

/** A take's recording, to be put together by the jobs process as if it had been spoken at the desk. */
async function importRecording(house: House, requestId: string, { takeId, type, events }: Recording, source: string): Promise<void> {
  const piece = { type, voice: (await readFile(source)).toString('base64'), events };
  await saveTakePiece(house, { requestId, takeId, part: 0, piece: 0 }, piece);
  await finishTake(house, requestId, takeId, { pieces: [1] });
}

/** What is spoken in a critique that was sent; what is cut of a take, or a part of one, only goes out from the desk. */
const sentTakes = (document: DeskDocument, recordings: readonly Recording[], doc: CritiqueDoc) =>
  takesOf(doc).map((attrs) => {
    const [take, recording] = [document.takes[attrs.takeId], recordings.find(({ takeId }) => takeId === attrs.takeId)];
    if (!take || !recording || attrs.from !== null || attrs.to !== null || take.cuts.length > 0)
      throw new Error(`The take ${attrs.takeId} of a sent critique is not on its desk, whole and with its recording.`);
    const { footageId, captions, chapters } = take;
    return { ...attrs, footageId, captions, chapters, seconds: recording.seconds, cuts: [] };
  });

async function importRequest(house: House, wanted: Wanted, coachName: string, folder: string): Promise<void> {
  const { id: requestId, clientId, footages, document = emptyDesk(), critique, sentAt, dueAt, saidByAt } = wanted;
  const sourceOf = (file: string): string => resolve(folder, file);
  const here = footages.filter((footage): footage is Footage & { file: string } => footage.file !== null);
  await insertRequest(
    house,
    newRequest({
      id: requestId,
      clientId,
      intake: intake.parse(wanted),
      sentAt: new Date(sentAt),
      dueAt: new Date(dueAt),
      state: critique ? 'sent' : 'waiting',
      saidByAt: saidByAt ? new Date(saidByAt) : null,
      ...(await planThen(house, clientId, sentAt.slice(0, 10))),
    }),
  );
  for (const [i, footage] of footages.entries())
    await (footage.file === null
      ? importRemoved(house, requestId, i + 1, footage)
      : importFootage(house, requestId, i + 1, footage, sourceOf(footage.file)));
  await house.db.sequelize.transaction((transaction) => putDesk(house, requestId, document, transaction));
  if (critique) {
    const tables = new Map<string, FrameTable>();
    for (const footage of here) {
      const source = sourceOf(footage.file);
      const { videoStream, demuxer } = await probe(source, await sniffFile(source));
      tables.set(footage.id, await readSourceTimes(source, demuxer, videoStream));
    }
    const moments = momentsOf(critique.doc).map((noteId) => {
      const moment = sentMomentOf(document, noteId, tables);
      if (!moment) throw new Error(`The critique of request ${requestId} shows note ${noteId}, which is not among its notes.`);
      return moment;
    });
    const [sentAt, readAt] = [new Date(critique.sentAt), critique.readAt ? new Date(critique.readAt) : null];
    const { id: critiqueId, doc } = critique;
    const code = shortCodeOf(critiqueId);
    await putCritique(house, {
      id: critiqueId,
      requestId,
      doc,
      revision: 1,
      version: 1,
      sentAt,
      readAt,
      understood: {},
      forkChoices: {},
      code,
    });
    const said = sentTakes(document, wanted.recordings, doc).flatMap(({ captions }) => captions.map((caption) => caption.words));
    const words = [...doc.content.map(blockText), ...said].join('\n');
    await indexWords(house, { id: critiqueId, entry: 'critique', requestId, words, at: sentAt });
    await addVersion(house, {
      critiqueId,
      version: 1,
      doc,
      fixes: sentFixesOf(doc),
      moments,
      coachName,
      sentAt,
      takes: sentTakes(document, wanted.recordings, doc),
      writtenFrom: null,
    });
  }
  for (const recording of wanted.recordings) await importRecording(house, requestId, recording, sourceOf(recording.file));
  if (critique && wanted.recordings.length > 0) await enqueueJob(house, 'make-voices', critique.id);
  for (const [id, take] of Object.entries(document.takes)) await indexTake(house, { id, requestId, take });
  await indexNotesOfRequest(house, requestId);
  await indexWords(house, { id: requestId, entry: 'request', requestId, words: wanted.question, at: new Date(sentAt) });
  for (const footage of here) await enqueueJob(house, 'make-ready', footage.id);
}

/** The plan a client had on a day, and the period it was in. */
async function planThen(house: House, clientId: string, day: string): Promise<{ membershipId: string | null; periodOn: string | null }> {
  const plans = await findPlans(house);
  for (const row of await findMemberships(house, [clientId])) {
    const standing = standingOn(row, plans.find(({ id }) => id === row.planId)!.period, day);
    if ('period' in standing) return { membershipId: row.id, periodOn: standing.period.fromOn };
  }
  return { membershipId: null, periodOn: null };
}

/** Hours, plans, and who has which. */
async function importWork(
  house: House,
  { plans, memberships, billing: _, ...setting }: NonNullable<PracticeFile['practice']>,
): Promise<void> {
  await changePractice(house, setting);
  for (const { rank, ...plan } of plans) await insertPlan(house, { ...plan, planRank: rank, madeAt: house.now(), retiredAt: null });
  for (const membership of memberships) await insertMembership(house, { ...membership, untilOn: null, pauses: [], madeAt: house.now() });
}

const dayMs = 86_400_000;
/** Days after an invoice was written on which it was paid, of those that were. */
const paidAfterDays = 3;

/** Writes the invoices of the past weeks as they would have been written, day by day, and pays them but for the last of who has not. */
async function importMoney(house: House, { unpaidBy, ...billing }: Billing & { unpaidBy: string[] }): Promise<void> {
  await changeBilling(house, billing, 0);
  const now = house.now().getTime();
  for (let at = Date.parse(billing.fromOn ?? house.now().toISOString()); at <= now; at += dayMs)
    await billPlans({ ...house, now: () => new Date(at) });
  const unpaid = new Set(unpaidBy);
  // Newest first: the first one met of who has not paid stays open.
  for (const { id, clientId, madeAt, total } of await findInvoices(house, {})) {
    if (clientId !== null && unpaid.delete(clientId)) continue;
    const paidAt = madeAt.getTime() + paidAfterDays * dayMs;
    if (paidAt > now) continue;
    await house.db.sequelize.transaction((transaction) =>
      addEntry(
        house,
        {
          ...{ id: house.newId(), invoiceId: id, paymentId: null, event: null, kind: 'paid', amount: total, at: new Date(paidAt) },
          ...{ words: 'By transfer', madeBy: null, madeAt: new Date(paidAt) },
        },
        transaction,
      ),
    );
  }
}

/** Whole minutes at the desk, from when a request was sent on. */
async function importDeskTime(house: House, { id, sentAt, deskMinutes }: Wanted, accountId: string): Promise<void> {
  const minutes = Array.from({ length: Math.round(deskMinutes) }, (_, i) => ({
    ...{ accountId, requestId: id, minuteAt: new Date(Date.parse(sentAt) + i * 60_000), seconds: 60 },
  }));
  if (minutes.length > 0) await putDeskTime(house, minutes);
}

/** What clients were given to do on the mat, what they did of it, and where it hurt. Principles that are not in the book are left out. */
async function importMatWork(house: House, { work, training }: PracticeFile, coachName: string): Promise<void> {
  for (const { clientId, ...said } of training) await putTraining(house, clientId, said);
  const principles = new Set((await findPrinciples(house)).map(({ id }) => id));
  for (const { id, clientId, principleId, requestId, terms, fromOn, givenDaysAgo, done } of work) {
    const givenAt = subDays(house.now(), givenDaysAgo);
    await insertWork(house, {
      ...{ id, clientId, principleId: principleId && principles.has(principleId) ? principleId : null, requestId, terms, fromOn, care: '' },
      ...{ givenBy: coachName, givenAt, endedOn: null, endedWhy: null, endedWords: '', remindedOn: null, verdict: null, revision: 1 },
    });
    for (const { id: doneId, doneOn, seen, ...entry } of done) {
      const enteredAt = new Date(`${doneOn}T12:00:00Z`);
      await putDone(house, {
        id: doneId,
        workId: id,
        clientId,
        doneOn,
        entry,
        enteredAt,
        seenAt: seen ? enteredAt : null,
        requestId: null,
      });
      for (const { part, side, words } of entry.pains)
        await insertPain(house, {
          ...{ id: house.newId(), clientId, doneId, part, side, words, raisedOn: doneOn },
          ...{ settledAt: null, settledOn: null, settledBy: null, settledWords: '' },
        });
    }
    await keepVerdict(house, id, terms);
  }
}

/**
 * Loads a practice file into an empty house. Footage files are found beside it; they are made ready by the jobs process.
 * Accounts come last, so a house without any holds at most what is left of a load that was cut off: that is cleared first.
 */
export async function importPractice(house: House, content: unknown, file: string): Promise<void> {
  const practice = practiceFile.parse(content);
  const { requests, clients, jobs, plans } = house.db;
  await jobs.destroy({ where: {} });
  await requests.destroy({ where: {} });
  await clients.destroy({ where: {} });
  await plans.destroy({ where: {} });
  for (const client of practice.clients) await insertClient(house, client);
  if (practice.practice) await importWork(house, practice.practice);
  const coach = practice.accounts.find((a) => a.role === 'coach');
  // Newest first: what waits for the coach is made ready before what has been sent.
  const byAge = [...practice.requests].sort((a, b) => b.sentAt.localeCompare(a.sentAt));
  for (const request of byAge) {
    await importRequest(house, request, coach?.name ?? '', dirname(file));
    if (coach) await importDeskTime(house, request, coach.id);
  }
  await importMatWork(house, practice, coach?.name ?? '');
  for (const { password, email, clientIds, ...account } of practice.accounts)
    await insertAccount(
      house,
      { ...account, email: email.toLowerCase(), passwordHash: await hashPassword(password), demo: true },
      clientIds,
    );
  if (practice.practice?.billing) await importMoney(house, practice.practice.billing);
}
