import type * as contract from '@lean-mentor/contract';
import type { BodyOf } from '@lean-mentor/contract';
import { movedOn, type WorkingHours } from '@lean-mentor/core/queue';
import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';
import type { Transaction } from 'sequelize';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { postLetters } from '../letters/index.ts';
import {
  changePause,
  deletePause,
  findPause,
  insertPause,
  planOfMembership,
  practiceNow,
  promiseMovedLetter,
  turnaroundOf,
} from '../practice/index.ts';
import { changeRequest, lockWaiting, type RequestRow } from '../requests/index.ts';

/** An instant as a letter says it: on the clock of the coach's zone, which is named. */
const words = (at: Date, zone: string): string => `${format(new TZDate(at, zone), "EEEE d MMMM 'at' H:mm")} (${zone})`;

interface Pausing {
  hours: WorkingHours;
  fromAt: Date;
  untilAt: Date;
  words: string;
}

/** Moves the promise of one request and tells its people; answers whether it reached into the pause. */
async function move(
  house: House,
  row: RequestRow,
  pausing: Pausing,
  practice: Parameters<typeof turnaroundOf>[0],
  transaction: Transaction,
): Promise<boolean> {
  const { hours, fromAt, untilAt } = pausing;
  // What became ready within the pause was promised with it in mind; what is due before it is not touched by it.
  if (row.dueAt <= fromAt && (row.saidByAt === null || row.saidByAt <= fromAt)) return false;
  const stood = { fromAt: fromAt.getTime(), toAt: untilAt.getTime() };
  const later = (at: Date, kind: 'working' | 'calendar'): Date => (at <= fromAt ? at : new Date(movedOn(hours, kind, at.getTime(), stood)));
  const { kind } = turnaroundOf(practice, await planOfMembership(house, row.membershipId, transaction));
  const dueAt = later(row.dueAt, kind);
  const saidByAt = row.saidByAt && later(row.saidByAt, 'working');
  await changeRequest(house, row.id, { dueAt, saidByAt, promiseMovedAt: house.now() }, transaction);
  const { zone } = hours;
  await postLetters(
    house,
    row.clientId,
    ({ name }) => promiseMovedLetter(name, row.intake.question ?? '', words(untilAt, zone), words(dueAt, zone), pausing.words),
    transaction,
  );
  return true;
}

/** Ill or away: promises that reach into it move on as far as it takes their time, and those concerned are told. */
export async function pauseWork(house: House, body: BodyOf<typeof contract.pauseWork>): Promise<{ pauseId: string; moved: number }> {
  const [asked, untilAt] = [new Date(body.fromAt), new Date(body.untilAt)];
  const now = house.now();
  if (untilAt <= now) throw new ContractError('not-valid', { message: 'This pause is over already. Choose an end that is still to come.' });
  const fromAt = asked < now ? now : asked;
  const { practice, hours, pauses } = await practiceNow(house);
  if (pauses.some((other) => other.fromAt < untilAt && other.untilAt > fromAt))
    throw new ContractError('not-valid', { message: 'A pause lies in these days already. End that one first.' });
  const pauseId = house.newId();
  const moved = await house.db.sequelize.transaction(async (transaction) => {
    await insertPause(house, { id: pauseId, fromAt, untilAt, words: body.words, madeAt: now }, transaction);
    let count = 0;
    for (const row of await lockWaiting(house, transaction))
      if (await move(house, row, { hours, fromAt, untilAt, words: body.words }, practice, transaction)) count++;
    return count;
  });
  return { pauseId, moved };
}

/** Ends a pause now; one that has not begun is taken away. Promises stay where they were moved to: those told so have planned by it. */
export async function endPause(house: House, pauseId: string): Promise<void> {
  const pause = await findPause(house, pauseId);
  const now = house.now();
  if (!pause || pause.untilAt <= now) throw new ContractError('not-found');
  if (pause.fromAt >= now) await deletePause(house, pauseId);
  else await changePause(house, pauseId, now);
}
