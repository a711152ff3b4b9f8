import type { Account, Bout, BoutEdit } from '@lean-mentor/contract';
import { boutsFault, fitSpans, type FrameTable } from '@lean-mentor/core/footage';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { coachesHere } from '../access/index.ts';
import { lockRequest } from '../requests/index.ts';
import {
  boutOf,
  changeBout,
  deleteBout,
  findBout,
  findBoutsCodedAtDesk,
  findBoutsOfFootage,
  insertBout,
  knownFrameTable,
  readyFootage,
  timedOf,
  type BoutRow,
  type FootageRow,
} from '../footage/index.ts';

const refused = (message: string): ContractError => new ContractError('not-valid', { message });
/** A footage has no more bouts than this. */
const mostBouts = 200;

type Fields = NonNullable<BoutEdit['after']>;
type Coded = Pick<Bout, 'fromFrame' | 'toFrame' | 'spans' | 'events' | 'threats'>;

/** What of a coding lies in a stretch: its spans made to tile it, and what happened in it. */
const codedWithin = (
  { spans, events, threats }: Pick<Bout, 'spans' | 'events' | 'threats'>,
  fromFrame: number,
  toFrame: number,
): Coded => ({
  fromFrame,
  toFrame,
  spans: fitSpans(spans, fromFrame, toFrame),
  events: events.filter(({ atFrame }) => fromFrame <= atFrame && atFrame < toFrame),
  threats: threats
    .filter((threat) => threat.fromFrame < toFrame && threat.toFrame > fromFrame)
    .map((threat) => ({ ...threat, fromFrame: Math.max(fromFrame, threat.fromFrame), toFrame: Math.min(toFrame, threat.toFrame) })),
});

const sameFields = (row: BoutRow, fields: Fields): boolean =>
  Object.entries(fields).every(([key, value]) => row[key as keyof Fields] === value);

/** Where edits of bouts arrive. */
interface Standing {
  house: House;
  account: Account;
  footage: FootageRow;
  table: FrameTable | null;
  /** The footage's bouts as they stand after the edits so far, by id. */
  bouts: Map<string, BoutRow>;
  /** Those of them that somebody has coded at the desk. */
  atDesk: ReadonlySet<string>;
  transaction: Transaction;
}

/** What somebody has coded cannot vanish by another's save: neither the bout, nor, by a client, what lies in it. */
const isCoded = ({ atDesk }: Standing, { id, spans, events }: BoutRow): boolean => spans.length > 0 || events.length > 0 || atDesk.has(id);

async function addBout(standing: Standing, { id, splitFrom }: BoutEdit, fields: Fields): Promise<void> {
  const { house, account, footage, table, bouts, transaction } = standing;
  if (await findBout(house, id, transaction)) throw refused('A bout of this id belongs to another footage.');
  const from = splitFrom ? bouts.get(splitFrom) : null;
  const coded = codedWithin(from ?? { spans: [], events: [], threats: [] }, fields.fromFrame, fields.toFrame);
  const row: BoutRow = { ...fields, ...coded, id, footageId: footage.id, version: 1, changedBy: account.id, timed: null };
  row.timed = table && timedOf(row, table);
  await insertBout(house, row, transaction);
  bouts.set(id, row);
}

async function changeOne(standing: Standing, row: BoutRow, fields: Fields): Promise<void> {
  const { house, account, table, bouts, transaction } = standing;
  const moved = row.fromFrame !== fields.fromFrame || row.toFrame !== fields.toFrame;
  if (moved && !coachesHere(account) && isCoded(standing, row))
    throw refused('Your coach has coded this bout already, so its edges stay. Write to them if one is wrong.');
  const next: BoutRow = {
    ...row,
    ...fields,
    ...codedWithin(row, fields.fromFrame, fields.toFrame),
    version: row.version + 1,
    changedBy: account.id,
  };
  // Which rules of the coach's own a bout is scored by, the coaching side says.
  if (!coachesHere(account)) next.sheetId = row.sheetId;
  next.timed = table && timedOf(next, table);
  await changeBout(house, row.id, next, transaction);
  bouts.set(row.id, next);
}

async function takeEdit(standing: Standing, edit: BoutEdit): Promise<void> {
  const { house, account, bouts, transaction } = standing;
  const row = bouts.get(edit.id);
  if (!row) {
    // Taken away twice is taken away; changed where another took it away is for the person to decide.
    if (edit.after === null) return;
    if (edit.base > 0) throw new ContractError('changed-meanwhile');
    return addBout(standing, edit, edit.after);
  }
  // An answer that was lost on the way is asked for again.
  if (edit.after && sameFields(row, edit.after)) return;
  // Whoever changed it last in another tab is not asked whether they agree with themselves.
  if (row.version !== edit.base && row.changedBy !== account.id) throw new ContractError('changed-meanwhile');
  if (edit.after) return changeOne(standing, row, edit.after);
  if (isCoded(standing, row)) throw refused('This bout is coded, so it is not taken away. Take its coding away on the desk first.');
  await deleteBout(house, row.id, transaction);
  bouts.delete(row.id);
}

/**
 * Takes edits of a footage's bouts, all or none, each against the version it was made on. Refused, in words, where they would overlap,
 * where what is coded would vanish, and to clients once their request has been answered.
 */
export async function editBouts(house: House, account: Account, footageId: string, edits: readonly BoutEdit[]): Promise<{ bouts: Bout[] }> {
  const footage = await readyFootage(house, account, footageId);
  const table = await knownFrameTable(house, footageId);
  return house.db.sequelize.transaction(async (transaction) => {
    // The lock keeps this and the desk's coding one after another.
    const request = await lockRequest(house, footage.requestId, transaction);
    if (!coachesHere(account) && (request?.state === 'sent' || request?.state === 'withdrawn')) throw new ContractError('not-now');
    const [rows, atDesk] = [
      await findBoutsOfFootage(house, footageId, transaction),
      await findBoutsCodedAtDesk(house, footage.requestId, transaction),
    ];
    const standing: Standing = { house, account, footage, table, bouts: new Map(rows.map((row) => [row.id, row])), atDesk, transaction };
    // What a bout leaves is free for the next one only once it has left.
    for (const edit of edits) await takeEdit(standing, edit);
    const bouts = [...standing.bouts.values()].sort((a, b) => a.fromFrame - b.fromFrame);
    const fault =
      boutsFault(bouts, footage.frameCount ?? 0) ?? (bouts.length > mostBouts ? `At most ${mostBouts} bouts in one video.` : null);
    if (fault) throw refused(fault);
    return { bouts: bouts.map(boutOf) };
  });
}
