import { randomUUID } from 'node:crypto';
import type { Account } from '@lean-mentor/contract';
import { heading, moment, paragraph } from '@lean-mentor/core/critique';
import { addDays, subMonths } from 'date-fns';
import { QueryTypes } from 'sequelize';
import { chores } from '../chores.ts';
import { hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import { saveCritiqueDraft, sendCritique } from '../features/critique/service.ts';
import { saveDeskChanges } from '../features/desk/service.ts';
import { changeFootage } from '../features/footage/repository.ts';
import { changeBilling, insertMembership, insertPlan } from '../features/practice/index.ts';
import { addFootage, beginDraft, saveDraft, sendRequest } from '../features/requests/drafts.ts';
import { withdrawRequest } from '../features/requests/service.ts';
import { askToBeForgotten, takeBackForgetting } from '../features/rights/forget.ts';
import { setRetention } from '../features/rights/retention.ts';
import { leaveTrail } from '../features/rights/index.ts';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { tidy } from '../jobs/tidy.ts';
import { frameTableKey, originalKey } from '../storage/index.ts';
import { runThoseDue } from './jobs.ts';
import { aNote, anIntake, coachId } from './people.ts';
import type { TestHouse } from './testHouse.ts';

export const keptMonths = { drafts: 1, footage: 3, letters: 4, trail: 6 };

interface Client {
  account: Account;
  id: string;
  name: string;
}

/** What came of something that was sent. */
interface Sent {
  id: string;
  footageId: string;
  client: Client;
  begunAt: Date;
  state: 'draft' | 'waiting' | 'answered' | 'withdrawn';
  restsSince: Date | null;
}

/** What happened, written down beside the house: at the end the house is held against it. */
export interface Ledger {
  clients: Map<string, Client>;
  forgotten: Set<string>;
  asked: Map<string, Date>;
  sent: Map<string, Sent>;
  /** Sums of invoices as they were first seen. */
  invoices: Map<string, string>;
  faults: number;
  restarts: number;
}

const table = { times: Array.from({ length: 60 }, (_, i) => i / 30), endSeconds: 2 };
const coach: Account = { id: coachId, name: 'Cora Lind', role: 'coach', clients: [] };

/** Numbers from 0 to 1 that are the same for the same seed (mulberry32). */
function numbers(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A practice of so many clients, with plans that are invoiced, and rules of how long things are kept. */
async function open(house: TestHouse, many: number, ledger: Ledger): Promise<void> {
  const passwordHash = await hashPassword('nobody signs in here');
  const account = (id: string, name: string, role: 'coach' | 'client', clients: string[]): Promise<void> =>
    insertAccount(house, { id, name, role, email: `${id}@test.example`, passwordHash, demo: false }, clients);
  await account(coachId, coach.name, 'coach', []);
  const planId = house.newId();
  await insertPlan(house, {
    ...{ id: planId, name: 'Steady', price: '20.00', extraPrice: '9.00', period: 'month', requestsPerPeriod: 9, planRank: 1 },
    ...{ includes: ['written'], turnaround: { hours: 40, kind: 'working' }, madeAt: house.now(), retiredAt: null },
  });
  for (let n = 0; n < many; n++) {
    const [id, name] = [house.newId(), `Client ${n} of the year`];
    await insertClient(house, { id, name, level: 1, bornOn: '1990-01-01', about: '', hurts: [], agreements: [] });
    const own: Account = { id: house.newId(), name, role: 'client', clients: [{ id, name, agreed: true }] };
    await account(own.id, name, 'client', [id]);
    ledger.clients.set(id, { account: own, id, name });
    const fromOn = house.now().toISOString().slice(0, 10);
    const [membershipId, madeAt] = [house.newId(), house.now()];
    if (n % 2 === 0)
      await insertMembership(house, { id: membershipId, clientId: id, planId, fromOn, untilOn: null, gifted: false, pauses: [], madeAt });
  }
  const billing = { fromOn: house.now().toISOString().slice(0, 10), seller: coach.name, note: '', daysToPay: 14 };
  await changeBilling(house, billing, 0);
  await setRetention(house, keptMonths, 0);
}

/** Begins a request; `sends`: it is sent, its video has arrived and is ready. */
async function beginRequest(house: TestHouse, client: Client, sends: boolean, ledger: Ledger): Promise<void> {
  const draft = await beginDraft(house, client.account, client.id);
  const footage = await addFootage(house, client.account, draft.id, { fileName: 'round.mp4', byteSize: 100 });
  const sent: Sent = { id: draft.id, footageId: footage.id, client, begunAt: house.now(), state: 'draft', restsSince: null };
  ledger.sent.set(draft.id, sent);
  await saveDraft(house, client.account, draft.id, { step: 'check', intake: anIntake });
  await house.storage.putBytes(originalKey(footage.id), footage.id);
  await house.storage.putBytes(frameTableKey(footage.id), JSON.stringify(table));
  await changeFootage(house, footage.id, { state: 'ready', originalKey: originalKey(footage.id), frameCount: 60, seconds: 2 });
  if (!sends) return;
  await sendRequest(house, client.account, draft.id);
  sent.state = 'waiting';
}

/** Answers a request: a note, a page with its moment, sent. */
async function answer(house: TestHouse, sent: Sent): Promise<void> {
  const note = aNote(house.newId(), sent.footageId);
  const changes = [{ changeId: house.newId(), entity: 'note' as const, id: note.id, before: null, after: note }];
  await saveDeskChanges(house, coach, sent.id, { changes, since: 0 });
  const doc = { type: 'doc' as const, content: [heading(2, 'What you asked'), paragraph('So.'), moment(note.id)] };
  const { revision } = await saveCritiqueDraft(house, sent.id, { doc, revision: 0 });
  await sendCritique(house, coach, sent.id, { revision });
  await leaveTrail(house, coach, { room: 'desk', method: 'post' }, [
    { clientId: sent.client.id, requestId: sent.id, requestState: 'sent', released: true },
  ]);
  sent.state = 'answered';
  sent.restsSince = house.now();
}

/** Does something as a page does: where the database went away in the middle, it is asked again. */
async function tried(ledger: Ledger, what: () => Promise<unknown>): Promise<void> {
  for (let tries = 0; ; tries++)
    try {
      await what();
      return;
    } catch (error) {
      ledger.faults += 1;
      if (tries > 5 || !isDatabaseAway(error)) throw error;
    }
}

/** Cuts every connection that the house has to its database, as a server that is started again does. */
async function cutConnections(house: TestHouse, ledger: Ledger): Promise<void> {
  const own = await house.db.sequelize.query<{ id: number }>(
    'SELECT ID AS id FROM information_schema.PROCESSLIST WHERE USER = :user AND DB = DATABASE()',
    { replacements: { user: house.config.database.user }, type: QueryTypes.SELECT },
  );
  for (const { id } of own) await house.db.sequelize.query(`KILL ${id}`, { type: QueryTypes.RAW }).catch(() => undefined);
  ledger.restarts += 1;
}

async function day(house: TestHouse, ledger: Ledger, random: () => number): Promise<void> {
  for (const client of ledger.clients.values()) {
    if (random() < 1 / 25) await beginRequest(house, client, random() < 0.85, ledger);
    if (random() < 1 / 900 && !ledger.asked.has(client.id)) {
      await tried(ledger, () => askToBeForgotten(house, client.account, client.id, client.name));
      ledger.asked.set(client.id, house.now());
    } else if (ledger.asked.has(client.id) && random() < 1 / 20) {
      await takeBackForgetting(house, client.id);
      ledger.asked.delete(client.id);
    }
  }
  for (const sent of ledger.sent.values()) {
    if (sent.state !== 'waiting') continue;
    if (random() < 0.02) {
      await withdrawRequest(house, sent.client.account, sent.id);
      sent.state = 'withdrawn';
    } else if (random() < 0.4) await answer(house, sent);
  }
  if (random() < 1 / 12) await cutConnections(house, ledger);
  await tried(ledger, () => tidy(house, chores));
  // A chore whose connection was cut is done with the next round, a minute later.
  await tried(ledger, () => tidy(house, chores));
  await runThoseDue(house, 'remove-footage');
  for (const [clientId, askedAt] of ledger.asked)
    if (addDays(askedAt, 7) <= house.now()) {
      ledger.asked.delete(clientId);
      ledger.forgotten.add(clientId);
      ledger.clients.delete(clientId);
      for (const [id, sent] of ledger.sent) if (sent.client.id === clientId) ledger.sent.delete(id);
    }
  for (const [id, sent] of ledger.sent)
    if (sent.state === 'draft' && sent.begunAt < subMonths(house.now(), keptMonths.drafts)) ledger.sent.delete(id);
  const invoices = await house.db.sequelize.query<{ id: string; total: string }>('SELECT id, CAST(total AS CHAR) AS total FROM invoices', {
    type: QueryTypes.SELECT,
  });
  for (const { id, total } of invoices) if (!ledger.invoices.has(id)) ledger.invoices.set(id, total);
}

/** Lives so many days of a practice; the house's clock goes with them. `until` is called at the end of each. */
export async function liveDays(
  house: TestHouse,
  {
    clients,
    days,
    seed,
    each = () => Promise.resolve(),
  }: { clients: number; days: number; seed: number; each?: (day: number) => Promise<void> },
): Promise<Ledger> {
  const ledger: Ledger = {
    ...{ clients: new Map(), forgotten: new Set(), asked: new Map(), sent: new Map(), invoices: new Map() },
    ...{ faults: 0, restarts: 0 },
  };
  const begun = new Date('2030-01-07T09:00:00Z');
  house.time = begun;
  await open(house, clients, ledger);
  const random = numbers(seed);
  for (let n = 1; n <= days; n++) {
    house.time = addDays(begun, n);
    await day(house, ledger, random);
    await each(n);
  }
  return ledger;
}

export const newName = (): string => `lean_test_${randomUUID().replaceAll('-', '')}`;
