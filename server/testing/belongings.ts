import { randomBytes } from 'node:crypto';
import type { PlanFields } from '@lean-mentor/contract';
import { dayAt, dayText } from '@lean-mentor/core/queue';
import type { Note } from '@lean-mentor/core/desk';
import { moment, paragraph, type CritiqueDoc } from '@lean-mentor/core/critique';
import { insertAccount } from '../features/access/index.ts';
import { addVersion, putCritique, shortCodeOf } from '../features/critique/index.ts';
import { stopPage } from '../features/letters/index.ts';
import { insertInvoice, insertMembership, insertPayment, insertPlan, nextNumber } from '../features/practice/index.ts';
import { insertRequest, newRequest } from '../features/requests/index.ts';
import { insertPain, insertWork, putDone } from '../features/work/index.ts';
import type { House } from '../house/house.ts';
import { digestOf } from '../house/oneTime.ts';
import {
  clipVideoKey,
  clipPosterKey,
  exportKey,
  filmKey,
  editionCopyKey,
  editionTableKey,
  frameTableKey,
  spokenKey,
  takeLogKey,
  answerVoiceKey,
  takeMasterKey,
  takeVoiceKey,
  takeWordsKey,
  motionKey,
  originalKey,
  posterKey,
  reviewCopyKey,
  sharedClipKey,
  soundKey,
  stillKey,
  stripKey,
} from '../storage/index.ts';
import { aDrill, aNote, bringBout, bringFootage, bringRequest, coachId, anIntake } from './people.ts';

/** One of everything that an operation may name, all of one client, by the names of the addresses' parameters. */
export type Belongings = Record<string, string>;

const table = { times: [0, 0.1, 0.2, 0.3], endSeconds: 0.4 };

/** Everything that is made of a footage that is ready, in small. */
async function makeReady(house: House, footageId: string): Promise<void> {
  const { storage } = house;
  const motion = {
    level: [0, 0, 0, 0],
    lulls: [],
    bursts: [],
    lost: [],
    cuts: [],
    bells: [],
    advice: [],
    strip: { columns: 1, width: 1, height: 1, frames: [0] },
  };
  await storage.putBytes(frameTableKey(footageId), JSON.stringify(table));
  await storage.putBytes(motionKey(footageId), JSON.stringify(motion));
  await storage.putBytes(soundKey(footageId), JSON.stringify({ rate: 100, peaks: [], onsets: [] }));
  for (const key of [originalKey, reviewCopyKey, posterKey, stripKey]) await storage.putBytes(key(footageId), 'bytes');
  await storage.putBytes(editionTableKey(footageId, 1), JSON.stringify(table));
  await storage.putBytes(editionCopyKey(footageId, 1), 'bytes');
  await house.db.footages.update({ frameCount: 4 }, { where: { id: footageId } });
}

const wholeStage = {
  ...{ t: 0, kind: 'stage', frame: 0, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
};

/** A take that can be heard. */
async function bringTake(house: House, requestId: string, footageId: string): Promise<string> {
  const id = house.newId();
  const thing = { id, footageId, title: '', cuts: [], captions: [], chapters: [] };
  await house.db.deskItems.create({ id, requestId, entity: 'take', thing: thing as never });
  const askedAt = house.now().toISOString();
  const words = { of: 'text', askedAt, state: 'ready', failure: null } as const;
  const recorded = { pieces: [], partSeconds: [1], seconds: 1, peaks: [], silences: [], failure: null, words };
  await house.db.takes.create({ id, requestId, state: 'ready', changedAt: house.now(), ...recorded });
  await house.storage.putBytes(takeLogKey(requestId, id), JSON.stringify({ seconds: 1, events: [wholeStage] }));
  await house.storage.putBytes(takeVoiceKey(requestId, id, 'recorded'), 'sound');
  await house.storage.putBytes(takeMasterKey(requestId, id), 'sound');
  await house.storage.putBytes(takeWordsKey(requestId, id), JSON.stringify({ askedAt, made: { captions: [], placed: 0 } }));
  return id;
}

/** A drill that was done once and hurt. */
async function bringWork(house: House, ids: { clientId: string; workId: string; doneWorkId: string; painId: string }): Promise<void> {
  const { clientId, workId, doneWorkId, painId } = ids;
  const day = house.now().toISOString().slice(0, 10);
  await insertWork(house, {
    ...{ id: workId, clientId, principleId: null, requestId: null, terms: aDrill, fromOn: day, care: '', givenBy: 'Cora Lind' },
    ...{ givenAt: house.now(), endedOn: null, endedWhy: null, endedWords: '', remindedOn: null, verdict: null, revision: 1 },
  });
  const entry = { rounds: [], felt: 3, line: '', pains: [] };
  await putDone(house, { id: doneWorkId, workId, clientId, doneOn: day, entry, enteredAt: house.now(), seenAt: null, requestId: null });
  await insertPain(house, {
    ...{ id: painId, clientId, doneId: doneWorkId, part: 'hand', side: 'left', words: '', raisedOn: day },
    ...{ settledAt: null, settledOn: null, settledBy: null, settledWords: '' },
  });
}

/**
 * A client's request on the desk with a note, a take and a bout; one that was answered, with its critique, a question, a link and an
 * export;
 * a draft; one that waits for the guardian, one that waits for an answer, one whose video cannot be read.
 */
export async function bringBelongings(house: House, clientId: string, accountId: string): Promise<Belongings> {
  const { db, storage } = house;
  const now = house.now();
  const { requestId, footageId } = await bringRequest(house, clientId, 'ready');
  const { requestId: answeredId, footageId: answeredFootageId } = await bringRequest(house, clientId, 'ready');
  for (const id of [footageId, answeredFootageId]) await makeReady(house, id);
  const inState = async (state: 'draft' | 'guardian' | 'need-first', footage: object): Promise<{ id: string; footageId: string }> => {
    const [id, own] = [house.newId(), house.newId()];
    await insertRequest(house, newRequest({ id, clientId, state, intake: anIntake, sentAt: now, dueAt: now }));
    await bringFootage(house, id, { id: own, state: 'ready', released: state === 'need-first', ...footage });
    return { id, footageId: own };
  };
  const [draft, guardian, needFirst] = [await inState('draft', {}), await inState('guardian', {}), await inState('need-first', {})];
  await bringFootage(house, needFirst.id, { position: 2, state: 'ready' });
  for (const one of [guardian, draft]) await makeReady(house, one.footageId);
  const unreadable = await bringRequest(house, clientId, 'failed');
  await db.footages.update({ retryHelps: false }, { where: { id: unreadable.footageId } });

  const notes: Note[] = [aNote(house.newId(), footageId, { fromFrame: 1 }), aNote(house.newId(), answeredFootageId, { fromFrame: 1 })];
  await db.notes.create({ ...notes[0]!, requestId });
  await db.notes.create({ ...notes[1]!, requestId: answeredId });
  const otherAccountId = house.newId();
  await insertAccount(
    house,
    {
      ...{ id: otherAccountId, name: 'Somebody', email: `${otherAccountId}@test.example`, role: 'assistant', demo: false },
      passwordHash: 'none that anybody could sign in with',
    },
    [],
  );
  await db.letters.create({
    ...{ id: house.newId(), accountId, toName: 'Somebody', toAddress: 'a@b.example', subject: 'A critique', body: 'Read it.' },
    ...{ kind: 'critique', inApp: false, link: null, writtenAt: now },
  });
  const handOverId = house.newId();
  await db.handOvers.create({
    ...{ id: handOverId, requestId, part: 'notes', boutId: null, fromId: otherAccountId, toId: accountId, dueOn: '2026-12-01' },
    ...{ state: 'asked', said: [], madeAt: now },
  });
  const calendarToken = randomBytes(32).toString('base64url');
  await db.calendarLinks.upsert({ accountId, digest: digestOf(calendarToken), madeAt: now, readAt: null });
  const [planId, membershipId, pauseId] = [house.newId(), house.newId(), house.newId()];
  const spare: PlanFields = {
    ...{ name: 'Steady', price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 30, rank: 2, includes: ['written'] },
    turnaround: { hours: 20, kind: 'working' },
  };
  const { rank: planRank, ...plan } = spare;
  await insertPlan(house, { id: planId, ...plan, planRank, madeAt: now, retiredAt: null });
  await insertMembership(house, {
    ...{ id: membershipId, clientId, planId, fromOn: dayText(dayAt('UTC', now.getTime() - 86_400_000)), untilOn: null },
    ...{ gifted: false, pauses: [], madeAt: now },
  });
  const [invoiceId, paymentId] = [house.newId(), house.newId()];
  await house.db.sequelize.transaction(async (transaction) => {
    const day = now.toISOString().slice(0, 10);
    await insertInvoice(
      house,
      {
        ...{ id: invoiceId, number: await nextNumber(house, transaction), clientId, recipient: 'Somebody', seller: 'Cora Lind', note: '' },
        ...{ issuedOn: day, dueOn: day, currency: 'EUR', items: [{ words: 'One request', amount: '25.00' }], total: '25.00' },
        ...{ cancels: null, membershipId: null, periodNo: null, extraId: null, madeBy: null, madeAt: now },
      },
      transaction,
    );
  });
  await insertPayment(house, {
    ...{ id: paymentId, invoiceId, provider: 'stand-in', reference: paymentId, amount: '20.00', page: `/pay/${paymentId}` },
    ...{ begunBy: accountId, begunAt: now, askedAt: null },
  });
  await db.standInPayments.create({ reference: paymentId, amount: '20.00', currency: 'EUR', words: 'Invoice', told: [] });
  const nextYear = now.getTime() + 365 * 86_400_000;
  await db.pauses.create({ id: pauseId, fromAt: new Date(nextYear), untilAt: new Date(nextYear + 1000), words: '', madeAt: now });

  const [clipId, principleId, drillId, familyId] = [house.newId(), house.newId(), house.newId(), house.newId()];
  const takeId = await bringTake(house, requestId, footageId);
  const sentTakeId = await bringTake(house, answeredId, answeredFootageId);
  await db.clips.create({ id: clipId, title: `Clip ${clipId}`, state: 'ready', failure: null, seconds: 1, madeAt: now });
  for (const key of [clipVideoKey, clipPosterKey]) await storage.putBytes(key(clipId), 'bytes');
  await db.principles.create({ id: principleId, name: `Principle ${principleId}` } as never);
  await db.drills.create({ id: drillId, name: `Drill ${drillId}`, entry: {} } as never);

  const [critiqueId, fixId, noteId] = [house.newId(), notes[1]!.id, notes[1]!.id];
  const code = shortCodeOf(critiqueId);
  const doc: CritiqueDoc = {
    type: 'doc',
    content: [
      paragraph('Well.'),
      { type: 'fix', attrs: { fixId, principleId: null, name: 'The elbow' }, content: [moment(noteId)] },
      { type: 'bookClip', attrs: { clipId } },
    ],
  };
  await db.requests.update({ state: 'sent' }, { where: { id: answeredId } });
  await putCritique(house, {
    id: critiqueId,
    requestId: answeredId,
    doc,
    revision: 1,
    version: 1,
    sentAt: now,
    readAt: null,
    understood: {},
    forkChoices: {},
    code,
  });
  const options = [
    { do: 'frame', taken: false },
    { do: 'reach', taken: true },
  ];
  const fork = { opensFrame: 0, lastFrame: 1, actedFrame: null, options };
  const sent = { note: { ...notes[1]!, fork }, drawings: [], atSeconds: 0.1, clipFromSeconds: 0, clipToSeconds: 0.4, beside: null };
  const fixes = [{ position: 1, fixId, principleId: null, name: 'The elbow', noteIds: [noteId] }];
  await addVersion(house, {
    critiqueId,
    version: 1,
    doc,
    fixes,
    moments: [sent],
    coachName: 'Cora Lind',
    sentAt: now,
    takes: [
      {
        takeId: sentTakeId,
        from: null,
        to: null,
        title: 'Said',
        footageId: answeredFootageId,
        seconds: 1,
        captions: [],
        chapters: [],
        cuts: [],
      },
    ],
    writtenFrom: null,
  });
  await storage.putBytes(spokenKey(critiqueId, 1, 0), 'sound');
  for (const key of [stillKey, sharedClipKey]) await storage.putBytes(key(critiqueId, 1, noteId), 'bytes');
  await putCritique(house, {
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
  });

  const [questionId, linkId, exportId, filmId] = [house.newId(), house.newId(), house.newId(), house.newId()];
  const token = randomBytes(32).toString('base64url');
  const tokenHash = await crypto.subtle.digest('SHA-256', Buffer.from(token)).then((hash) => Buffer.from(hash).toString('hex'));
  await db.questions.create({
    id: questionId,
    critiqueId,
    fixId: null,
    noteId: null,
    spoken: null,
    words: 'Which hand?',
    askedBy: 'Somebody',
    askedAt: now,
    answer: null,
    answerTake: {
      ...{ takeId: sentTakeId, title: 'Said', footageId: answeredFootageId, seconds: 1 },
      ...{ captions: [], chapters: [], cuts: [], ready: true },
    },
    answeredBy: null,
    answeredAt: null,
  });
  await house.storage.putBytes(answerVoiceKey(critiqueId, questionId), 'sound');
  await db.critiqueLinks.create({
    id: linkId,
    critiqueId,
    tokenHash,
    forName: 'Ines',
    madeAt: now,
    expiresAt: new Date(now.getTime() + 86_400_000),
    opened: 0,
  });
  await db.exports.create({
    id: exportId,
    critiqueId,
    version: 1,
    form: 'md',
    askedBy: accountId,
    askedAt: now,
    state: 'ready',
    fileName: 'critique.md',
  });
  await storage.putBytes(exportKey(critiqueId, exportId), 'words');
  await db.films.create({
    ...{ id: filmId, requestId: answeredId, footageId: answeredFootageId, takeId: sentTakeId, critiqueId, version: 1, place: 0 },
    ...{
      spoken: JSON.stringify({ title: 'Said', seconds: 1, cuts: [], captions: [], chapters: [] }),
      size: 'footage',
      words: 'beside',
      compared: [],
    },
    ...{ state: 'ready', share: 1, secondsLeft: null, bytes: 4, failure: null, askedBy: accountId, askedAt: now, madeAt: now },
  });
  await storage.putBytes(filmKey(answeredFootageId, filmId), 'film');
  const invitationId = house.newId();
  await db.invitations.create({
    ...{
      id: invitationId,
      digest: randomBytes(32).toString('hex'),
      role: 'assistant',
      name: 'Ines',
      email: `${invitationId}@test.example`,
    },
    ...{ clientId: null, level: null, bornOn: null, invitedBy: accountId, letterId: null, acceptedAt: null },
    ...{ madeAt: now, expiresAt: new Date(now.getTime() + 86_400_000) },
  });
  const [workId, doneWorkId, painId] = [house.newId(), house.newId(), house.newId()];
  await bringWork(house, { clientId, workId, doneWorkId, painId });
  return {
    clientId,
    workId,
    doneWorkId,
    painId,
    onDay: '2026-05-04',
    invitationId,
    sessionId: '0'.repeat(32),
    letterId: house.newId(),
    requestId,
    footageId,
    takeId,
    clipId,
    principleId,
    drillId,
    familyId,
    noteId,
    picture: 'still.png',
    critiqueId,
    fixId,
    code,
    questionId,
    linkId,
    exportId,
    filmId,
    token,
    planId,
    membershipId,
    invoiceId,
    paymentId,
    handOverId,
    kind: 'answer',
    signature: stopPage(house, otherAccountId).split('/').at(-1)!,
    year: '2026',
    table: 'invoices',
    pauseId,
    accountId: otherAccountId,
    calendarToken,
    boutId: await bringBout(house, footageId, 0, 4),
    answeredId,
    answeredFootageId,
    draftId: draft.id,
    draftFootageId: draft.footageId,
    guardianId: guardian.id,
    guardianFootageId: guardian.footageId,
    needFirstId: needFirst.id,
    needFirstFootageId: needFirst.footageId,
    unreadableId: unreadable.requestId,
    unreadableFootageId: unreadable.footageId,
    version: '1',
    as: 'csv',
    form: 'vtt',
    frame: '1',
    edition: '1',
    part: '0',
    place: '0',
    piece: '0',
    voice: 'recorded',
    uploadId: 'a'.repeat(32),
    coachId,
  };
}
