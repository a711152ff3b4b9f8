import { readdir } from 'node:fs/promises';
import { operations, type Operation, type Role } from '@lean-mentor/contract';
import { proposedLimits } from '@lean-mentor/core/care';
import { paragraph } from '@lean-mentor/core/critique';
import { ruleSheets } from '@lean-mentor/core/scoring';
import { QueryTypes } from 'sequelize';
import { beforeAll, describe, expect, it } from 'vitest';

import { bringBelongings, type Belongings } from '../testing/belongings.ts';
import { aDrill, aNote, clientA, clientB, password } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit, type Visitor } from '../testing/visitor.ts';

/** Everybody who may knock: by which address they sign in, what they are, and whose things are theirs. */
const people: readonly { who: string; role: Role; of: string[] }[] = [
  { who: 'coach', role: 'coach', of: [clientA, clientB] },
  { who: 'assistant', role: 'assistant', of: [clientA, clientB] },
  { who: 'client', role: 'client', of: [clientA] },
  { who: 'other', role: 'client', of: [clientB] },
  { who: 'guardian', role: 'guardian', of: [clientB] },
];

let asked = 0;
const { house, open } = peopledHouse();
const visitors = new Map<string, Visitor>();
const accounts = new Map<string, string>();
/** What lies there while refusals are looked at, by client. */
const lying = new Map<string, Belongings>();
beforeAll(async () => {
  for (const { who } of people) {
    visitors.set(who, await visit(open.app, who));
    accounts.set(who, (await house.db.accounts.findOne({ where: { email: `${who}@test.example` } }))!.get('id') as string);
  }
  for (const clientId of [clientA, clientB]) lying.set(clientId, await bringBelongings(house, clientId, accounts.get('coach')!));
});

/** Which of a client's things an operation is tried on, where it is not the request that lies on the desk and what is on it. */
const onDraft = (own: Belongings): Belongings => ({ requestId: own['draftId']!, footageId: own['draftFootageId']! });
const onGuardian = (own: Belongings): Belongings => ({ requestId: own['guardianId']!, footageId: own['guardianFootageId']! });
const onUnreadable = (own: Belongings): Belongings => ({ requestId: own['unreadableId']!, footageId: own['unreadableFootageId']! });
const triedOn: Readonly<Record<string, (own: Belongings) => Belongings>> = {
  saveDraft: onDraft,
  discardDraft: onDraft,
  sendRequest: onDraft,
  addFootage: onDraft,
  removeFootage: onDraft,
  approveRequest: onGuardian,
  sendBackRequest: onGuardian,
  replaceFootage: onUnreadable,
  retryFootage: onUnreadable,
  answerFirst: (own) => ({ requestId: own['needFirstId']! }),
  getPromise: onDraft,
  getChapters: (own) => ({ footageId: own['answeredFootageId']! }),
};

const idsOf = ({ name }: Operation, own: Belongings): Belongings => ({ ...own, ...triedOn[name]?.(own) });
const pathOf = ({ path }: Operation, ids: Belongings): string => path.replace(/:(\w+)/g, (_, name: string) => ids[name] ?? '');

const doc = { type: 'doc', content: [paragraph('Said.')] };
const principle = () => ({ name: `P ${house.newId()}`, area: 'guard', good: '', why: '', prerequisites: [], drillIds: [], clipIds: [] });
const choice = {
  school: 'balanced',
  order: null,
  cut: 1,
  reason: '',
  pinned: [],
  parked: [],
  asked: null,
  gamePlan: [],
  answer: '',
  overrides: [],
};
const dayAhead = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const hours = { zone: 'Europe/Berlin', weekly: [{ day: 1, from: '09:00', to: '12:00' }], exceptions: [], stays: [] };
const turnaround = { hours: 12, kind: 'working' };
const somePlan = {
  ...{ name: 'Steady', price: '45.00', extraPrice: '25.00', period: 'month', requestsPerPeriod: 2, rank: 1, includes: ['written'] },
  turnaround,
};
/** What each operation is sent that takes a body: what the contract wants, so that nothing is refused for its form. */
const bodies: Readonly<Record<string, (own: Belongings) => object>> = {
  signIn: () => ({ email: 'client@test.example', password }),
  invite: () => ({ role: 'assistant', name: 'Ines', email: `ines.${house.newId()}@test.example` }),
  acceptInvitation: () => ({ password: 'slow hips before quick hands' }),
  setNewPassword: () => ({ password: 'slow hips before quick hands' }),
  // Each is written to three times an hour at most.
  askNewPassword: () => ({ email: `${people[(asked += 1) % people.length]!.who}@test.example` }),
  beginSecondFactor: () => ({ present: password }),
  confirmSecondFactor: () => ({ code: '000000' }),
  endSecondFactor: () => ({ present: 'not this one', code: '000000' }),
  changePassword: () => ({ present: 'not this one', password: 'slow hips before quick hands' }),
  closeThread: () => ({ closed: true }),
  searchWords: () => ({ words: 'elbow', clientId: null }),
  addFootage: () => ({ fileName: 'a.mp4', byteSize: 10 }),
  replaceFootage: () => ({ fileName: 'a.mp4', byteSize: 10 }),
  answerFirst: () => ({ words: 'Here.' }),
  keepRequestLimits: () => ({ own: proposedLimits('Left knee'), partner: [] }),
  askFirst: () => ({ need: 'context', words: 'Which day?' }),
  beginDraft: (own) => ({ clientId: own['clientId'] }),
  saveDraft: () => ({ step: 'what', intake: { event: 'Quay' } }),
  sendBackRequest: () => ({ words: 'No.' }),
  editBouts: (own) => ({ edits: [{ id: own['boutId'], base: 1, splitFrom: null, after: { fromFrame: 0, toFrame: 3 } }] }),
  saveAlignment: () => ({ alignment: null }),
  saveDeskChanges: (own) => {
    const id = house.newId();
    return {
      changes: [{ changeId: house.newId(), entity: 'note', id, before: null, after: aNote(id, own['footageId']!, { fromFrame: 2 }) }],
      since: 0,
    };
  },
  chooseBoutSheet: () => ({ ruleSheet: 'open-mat', sheetId: null }),
  savePositionWorth: () => ({ preset: 'balanced', own: { mount: 70 } }),
  saveRuleSheet: (own) => ({ id: house.newId(), familyId: own['familyId'], sheet: { ...ruleSheets['open-mat'] } }),
  addClip: () => ({ id: house.newId(), title: 'A clip' }),
  renameClip: () => ({ title: `Renamed ${house.newId()}` }),
  importBook: () => ({ format: 'lean-mentor/book@1', principles: [], drills: [{ name: `D ${house.newId()}`, how: '' }] }),
  mergeBookPrinciples: (own) => ({ intoId: own['otherPrincipleId'] }),
  saveBookPrinciple: principle,
  saveBookDrill: () => ({ name: `D ${house.newId()}`, how: 'So.' }),
  saveFixChoice: () => choice,
  saveOwnSchool: () => ({ weights: { C: 1, F: 0, R: 0, G: 0, B: 0 }, share: 0.6, missedChance: 1.5 }),
  askExport: () => ({ as: 'json' }),
  markUnderstood: () => ({ understood: true }),
  chooseAtFork: () => ({ choice: 0 }),
  saveCritiqueDraft: () => ({ doc, revision: 1 }),
  savePhraseBook: () => ({ phrases: [{ id: house.newId(), words: 'Well kept.' }], templates: [] }),
  sendCritique: () => ({ revision: 1 }),
  answerQuestion: () => ({ words: 'The left.' }),
  askQuestion: () => ({ id: house.newId(), fixId: null, noteId: null, words: 'Why?' }),
  makeReadLink: () => ({ forName: 'Ines', days: 3 }),
  importNotes: () => ({ format: 'lean-mentor/notes@1', notes: [] }),
  saveTakePiece: () => ({ type: 'audio/webm', voice: '', events: [] }),
  finishTake: () => ({ pieces: [0] }),
  askTakeWords: () => ({ of: 'text', origin: 'typed', texts: [{ from: 0, to: 1, text: 'Keep it in.' }] }),
  saveHeard: () => ({ from: 0, to: 1 }),
  askTakeFilm: () => ({ size: 'small', words: 'beside' }),
  askSentFilm: () => ({ size: 'small', words: 'burnt' }),
  changePerson: () => ({ name: 'Somebody else', email: `${house.newId()}@test.example` }),
  pausePerson: () => ({ paused: true }),
  changeClient: () => ({ name: 'Changed', level: 3, bornOn: '2001-05-01', about: 'So.', hurts: [], agreements: [] }),
  keepLimits: () => ({ hurts: ['Left shoulder', 'Right knee'], limits: [] }),
  // Nobody is called that: whoever was forgotten would be missing below. What they do is shown in rights.test.
  askToBeForgotten: () => ({ name: 'Nobody' }),
  forgetClient: () => ({ name: 'Nobody' }),
  previewRetention: () => ({ drafts: 1, footage: 1, letters: 1, trail: 1 }),
  setRetention: () => ({ retention: { drafts: 6, footage: null, letters: null, trail: 12 }, revision: 0 }),
  setHours: () => ({ revision: 0, hours, turnaround, currency: 'EUR' }),
  addPlan: () => somePlan,
  changePlan: () => ({ ...somePlan, name: 'Steadier' }),
  retirePlan: () => ({ retired: true }),
  giveMembership: (own) => ({ planId: own['planId'], fromOn: dayAhead(1), untilOn: null, gifted: true }),
  endMembership: () => ({ untilOn: dayAhead(1) }),
  pauseMembership: () => ({ fromOn: dayAhead(1), untilOn: null }),
  setLetterWords: () => ({ revision: 0, template: { subject: 'From {coach}', body: 'Read {link}.' } }),
  setLettersBy: () => ({ by: 'app' }),
  setOwnLetters: () => ({ by: 'app' }),
  giveOver: (own) => ({ toId: own['accountId'], part: 'code', boutId: null, dueOn: dayAhead(1), words: '' }),
  actOnHandOver: () => ({ act: 'offer', words: '' }),
  setBilling: () => ({ revision: 0, billing: { fromOn: null, seller: 'Cora Lind', note: '', daysToPay: 14 } }),
  writeInvoice: () => ({ lines: [{ words: 'A lesson', amount: '30.00' }] }),
  cancelInvoice: () => ({ words: '' }),
  noteMoney: () => ({ id: house.newId(), kind: 'paid', amount: '5.00', words: 'Cash' }),
  pressStandIn: () => ({ key: 'pays' }),
  setPolicy: () => ({ policy: 'fair-share' }),
  placeRequest: () => ({ place: 0 }),
  pauseWork: () => ({ fromAt: `${dayAhead(2)}T08:00:00Z`, untilAt: `${dayAhead(3)}T08:00:00Z`, words: 'Ill.' }),
  giveWork: () => ({ revision: 1, principleId: null, requestId: null, terms: aDrill, fromOn: dayAhead(0), care: '' }),
  endWork: () => ({ ended: true, words: '' }),
  logWork: () => ({ doneOn: dayAhead(0), rounds: [], felt: 4, line: 'Good.', pains: [] }),
  setTraining: () => ({ days: [1], zone: 'Europe/Berlin', equipment: '', attire: null, remind: false, breaks: [] }),
  settlePain: () => ({ words: 'It is fine.' }),
  recordDeskTime: () => ({ minutes: [{ minutesAgo: 0, seconds: 20 }] }),
};

/** Operations that change something, and the tables in which they may. Whatever is not named here changes nothing. */
const changes: Readonly<Record<string, readonly string[]>> = {
  invite: ['invitations', 'letters'],
  inviteAgain: ['invitations', 'letters'],
  takeBackInvitation: ['invitations', 'letters'],
  askNewPassword: ['letters', 'forgotten_passwords'],
  beginSecondFactor: ['accounts'],
  closeThread: ['closed_threads'],
  addFootage: ['footages'],
  replaceFootage: ['footages', 'requests', 'letters', 'jobs'],
  removeFootage: ['footages', 'requests', 'jobs'],
  answerFirst: ['requests', 'letters', 'footages', 'search_entries', 'search_words'],
  approveRequest: ['requests', 'footages', 'search_entries', 'search_words'],
  askFirst: ['requests', 'letters'],
  beginDraft: ['requests'],
  discardDraft: ['requests', 'footages', 'jobs'],
  saveDraft: ['requests'],
  sendBackRequest: ['requests'],
  sendRequest: ['requests', 'footages', 'letters', 'search_entries', 'search_words'],
  withdrawConsent: ['requests', 'footages', 'bouts', 'jobs', 'letters', 'critique_versions'],
  withdrawRequest: ['requests', 'footages', 'jobs'],
  keepRequestLimits: ['requests'],
  editBouts: ['bouts'],
  saveAlignment: ['footages'],
  saveDeskChanges: ['notes', 'desk_changes', 'search_entries', 'search_words'],
  chooseBoutSheet: ['bouts'],
  retireRuleSheet: ['rule_sheets'],
  savePositionWorth: ['practice_settings'],
  saveRuleSheet: ['rule_sheets'],
  addClip: ['clips'],
  removeClip: ['clips', 'jobs', 'notes'],
  renameClip: ['clips'],
  saveClipVideo: ['clips', 'jobs'],
  addStarterBook: ['principles', 'drills', 'practice_settings'],
  importBook: ['principles', 'drills'],
  mergeBookPrinciples: ['principles', 'notes', 'sent_fixes', 'search_entries', 'search_words', 'fix_choices', 'closed_threads', 'work'],
  removeBookDrill: ['drills', 'principles'],
  removeBookPrinciple: ['principles'],
  saveBookDrill: ['drills'],
  saveBookPrinciple: ['principles', 'search_entries', 'search_words'],
  saveFixChoice: ['fix_choices'],
  saveOwnSchool: ['practice_settings'],
  askExport: ['exports', 'jobs'],
  markCritiqueRead: ['critiques'],
  markUnderstood: ['critiques'],
  chooseAtFork: ['critiques'],
  draftCritique: ['critiques'],
  saveCritiqueDraft: ['critiques'],
  savePhraseBook: ['practice_settings'],
  sendCritique: [
    'critiques',
    'critique_versions',
    'sent_fixes',
    'requests',
    'letters',
    'fix_choices',
    'search_entries',
    'search_words',
    'jobs',
  ],
  takeBackCritique: ['critiques', 'critique_versions', 'sent_fixes', 'requests', 'letters', 'search_entries', 'search_words'],
  answerQuestion: ['questions', 'letters', 'search_entries', 'search_words'],
  askQuestion: ['questions', 'search_entries', 'search_words'],
  endReadLink: ['critique_links'],
  makeReadLink: ['critique_links'],
  saveTakePiece: ['takes', 'take_pieces'],
  askTakeWords: ['takes', 'jobs'],
  finishTake: ['takes', 'jobs'],
  saveHeard: ['takes_heard'],
  askTakeFilm: ['films', 'jobs'],
  askSentFilm: ['films', 'jobs'],
  askSharedFilm: ['films', 'jobs'],
  importNotes: ['notes', 'desk_changes', 'search_entries', 'search_words'],
  getSharedCritique: ['critique_links'],
  changePerson: ['accounts', 'letters'],
  pausePerson: ['accounts'],
  removePerson: ['accounts', 'letters', 'hand_overs'],
  changeClient: ['clients', 'search_entries', 'search_words'],
  keepLimits: ['clients', 'search_entries', 'search_words'],
  setHours: ['practice_settings'],
  addPlan: ['plans'],
  changePlan: ['plans'],
  retirePlan: ['plans'],
  giveMembership: ['memberships', 'letters'],
  endMembership: ['memberships', 'letters'],
  pauseMembership: ['memberships', 'letters'],
  addExtra: ['extra_requests'],
  setLetterWords: ['practice_settings'],
  setLettersBy: ['accounts'],
  setOwnLetters: ['accounts'],
  stopLetters: ['accounts'],
  readOwnLetters: ['letters'],
  giveOver: ['hand_overs'],
  actOnHandOver: ['hand_overs'],
  setBilling: ['practice_settings'],
  noteMoney: ['money_entries'],
  startPayment: ['payments', 'stand_in_payments'],
  pressStandIn: ['stand_in_payments', 'money_entries', 'payments'],
  setPolicy: ['practice_settings'],
  placeRequest: ['requests'],
  pauseWork: ['pauses', 'requests', 'letters'],
  endPause: ['pauses'],
  recordDeskTime: ['desk_time'],
  giveWork: ['work'],
  endWork: ['work'],
  logWork: ['work_done', 'work'],
  removeDoneWork: ['work_done', 'pains', 'work'],
  sendRound: ['requests', 'work_done'],
  setTraining: ['training'],
  settlePain: ['pains', 'letters'],
  seeWork: ['work_done'],
  setRetention: ['practice_settings'],
  makeCalendarLink: ['calendar_links'],
  endCalendarLink: ['calendar_links'],
  readCalendar: ['calendar_links'],
};

/** What an operation answers whoever may call it, where that is not 200: the small things here are no real media and no sheets. */
const answers: Readonly<Record<string, number>> = {
  readInvitation: 410, // It is the token of another link.
  acceptInvitation: 410,
  setNewPassword: 410,
  changePassword: 400, // Not the present password.
  confirmSecondFactor: 401, // Not the code.
  endSecondFactor: 400,
  endOwnSession: 404, // No session is called that.
  sendLetterAgain: 404, // No letter is.
  retryFootage: 409, // This one's file cannot be read: trying again does not help.
  getFrameStill: 500,
  getDeskStillPng: 500,
  getDeskStillSvg: 500, // The video is four bytes.
  streamReviewCopy: 410,
  streamEdition: 410,
  getPoster: 410,
  getStrip: 410, // Without the signature of getViewing.
  writeInvoice: 409, // Nobody has said from when there are invoices.
  cancelInvoice: 409,
  retireRuleSheet: 404, // Nobody has made this family.
  askUploadAbilities: 204,
  askToBeForgotten: 400,
  forgetClient: 400, // It is not the name.
  takeBackForgetting: 409, // Nobody has asked for it.
  sendRound: 400, // It is a drill.
  streamWorkClip: 404, // It goes with none of their work.
  streamSharedFilm: 404, // Nobody has asked for it.
  beginUpload: 400,
  continueUpload: 404,
  askUploadOffset: 404, // Without an upload.
  saveClipVideo: 200,
  importNotes: 200, // A JSON body is no sound.
};

/** Calls an operation on a client's things; `ids` where it is tried on others than usual. */
const call = async (visitor: Visitor, operation: Operation, own: Belongings, ids = idsOf(operation, own)): Promise<number> => {
  const request = visitor.ask(operation.method, pathOf(operation, ids), bodies[operation.name]?.(own));
  if (operation.stream?.includes('offset')) request.set('Tus-Resumable', '1.0.0');
  if (operation.name === 'continueUpload') request.set({ 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' });
  return (await request.buffer(true)).status;
};

/** Of each table, how many rows of it were ever written when its sum was taken, and that sum. */
const summed = new Map<string, { written: string; sum: string }>();

/** A checksum of each table. One that nothing was written to since it was last summed is not read again. */
async function sums(): Promise<Map<string, string>> {
  const { sequelize } = house.db;
  const tables = await sequelize.query<{ name: string; written: string }>(
    `SELECT t.table_name AS name, CAST(COALESCE(s.rows_changed, 0) AS CHAR) AS written
     FROM information_schema.tables t
     LEFT JOIN information_schema.table_statistics s ON s.table_schema = t.table_schema AND s.table_name = t.table_name
     WHERE t.table_schema = DATABASE() AND t.table_name NOT IN ('sessions', 'sign_in_tries')`,
    { type: QueryTypes.SELECT },
  );
  const written = new Map(tables.map((table) => [table.name, table.written]));
  const stale = [...written.keys()].filter((name) => summed.get(name)?.written !== written.get(name));
  if (stale.length > 0) {
    const rows = await sequelize.query<{ Table: string; Checksum: string }>(`CHECKSUM TABLE ${stale.join(', ')}`, {
      type: QueryTypes.SELECT,
    });
    for (const { Table, Checksum } of rows) {
      const name = Table.split('.').at(-1)!;
      summed.set(name, { written: written.get(name)!, sum: String(Checksum) });
    }
  }
  return new Map([...summed].map(([name, { sum }]) => [name, sum]));
}
const changedTables = (before: Map<string, string>, after: Map<string, string>): string[] =>
  [...after].filter(([name, sum]) => before.get(name) !== sum).map(([name]) => name);
const files = async (): Promise<string> => (await readdir(house.config.dataDir, { recursive: true })).sort().join('\n');

/** Parameters of an address that tell whose things it is about. */
const scopes = [
  'requestId',
  'footageId',
  'critiqueId',
  'clientId',
  'boutId',
  'questionId',
  'code',
  'membershipId',
  'invoiceId',
  'paymentId',
];
const named = ({ path }: Operation): string[] => [...path.matchAll(/:(\w+)/g)].map(([, name]) => name!);

/** A stream of events does not end: it is looked at by itself. */
const calls = operations.filter((operation) => operation.stream !== 'text/event-stream');

const may = ({ access }: Operation, role: Role): boolean => access === 'anyone' || access.includes(role);

// All that is refused comes before anything that changes what lies there: the little that there is, is quickly looked through.
describe('what is refused', () => {
  const closed = calls.filter(({ access }) => access !== 'anyone');
  it.each(closed.map((operation) => [operation.name, operation] as const))(
    '%s: to strangers, to other roles and for what is another’s or not let go yet, and nothing changes',
    async (_, operation) => {
      const [before, lay] = [await sums(), await files()];
      const stranger = await visit(open.app, null);
      for (const own of lying.values()) expect(await call(stranger, operation, own)).toBe(401);
      for (const { who, role, of } of people)
        for (const [clientId, own] of lying) {
          const visitor = visitors.get(who)!;
          if (!may(operation, role)) expect([who, await call(visitor, operation, own)]).toEqual([who, 403]);
          const scoped = named(operation).some((one) => scopes.includes(one));
          if (may(operation, role) && scoped && !of.includes(clientId))
            expect([who, await call(visitor, operation, own)]).toEqual([who, 404]);
          const coaching = role === 'coach' || role === 'assistant';
          if (may(operation, role) && coaching && named(operation).some((one) => one === 'requestId' || one === 'footageId'))
            expect([who, 'hidden', await call(visitor, operation, own, { ...own, ...onGuardian(own) })]).toEqual([who, 'hidden', 404]);
        }
      expect(changedTables(before, await sums())).toEqual([]);
      expect(await files()).toBe(lay);
    },
  );
});

// Signing out would end the visit that the others need: it is shown elsewhere. What only reads comes before all that brings something
// along to be changed: it has less to read.
const readsOnly = ({ name }: Operation): boolean => !changes[name] && name !== 'getExport' && name !== 'takeExport';
const answered = calls.filter(({ name }) => name !== 'signOut').sort((a, b) => Number(readsOnly(b)) - Number(readsOnly(a)));
describe.each(answered.map((operation) => [operation.name, operation] as const))('%s', (name, operation) => {
  for (const { who, role, of } of people) {
    if (!may(operation, role)) continue;
    it(`is answered to ${who}, and changes what it may and no more`, async () => {
      // Whatever it does to them, the next one finds their own; what changes nothing may look at what lies there.
      const own = readsOnly(operation) ? { ...lying.get(of.at(-1)!)! } : await bringBelongings(house, of.at(-1)!, accounts.get(who)!);
      own['otherPrincipleId'] = lying.get(clientA)!['principleId']!;
      if (name === 'retireRuleSheet') own['familyId'] = house.newId();
      const visitor = name === 'signIn' ? await visit(open.app, null) : visitors.get(who)!;
      const before = await sums();
      expect(await call(visitor, operation, own)).toBe(answers[name] ?? 200);
      // Everybody who is let in leaves a trail.
      const changed = changedTables(before, await sums()).filter((table) => table !== 'trail');
      for (const one of changed) expect(changes[name] ?? [], `${name} changed ${one}`).toContain(one);
      if (changes[name] && (answers[name] ?? 200) === 200 && name !== 'saveAlignment' && name !== 'importNotes')
        expect(changed).not.toEqual([]);
    });
  }
});
