import { dayAt, dayText } from '@lean-mentor/core/queue';
import { workDates } from '@lean-mentor/core/work';
import type { House } from '../../house/house.ts';
import { clientThreads } from '../followup/index.ts';
import { postLetters } from '../letters/index.ts';
import { todayLetter } from './letters.ts';
import type { WorkRow } from './model.ts';
import { changeWork, findDone, findWorkBetween } from './repository.ts';
import { clientsNow } from './training.ts';
import { datedOf } from './views.ts';

const todayUtc = (house: House): string => dayText(dayAt('UTC', house.now().getTime()));
/** Work that has not ended and has begun, wherever its client is. */
const openWork = (house: House): Promise<WorkRow[]> => findWorkBetween(house, todayUtc(house), '9999-01-01');

/** From this hour on of their own day clients are reminded of it. */
const remindFromHour = 7;
const hourAt = (zone: string, at: Date): number =>
  Number(new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: 'numeric', hour12: false }).format(at)) % 24;

/** Writes to those who want it on the morning of a day with work: one letter for each piece of it, once a day. */
export async function remindOfWork(house: House): Promise<void> {
  const rows = await openWork(house);
  const now = await clientsNow(house, [...new Set(rows.map(({ clientId }) => clientId))]);
  const wanting = rows.filter(({ clientId, remindedOn }) => {
    const { training, today } = now.get(clientId)!;
    return training.remind && (remindedOn === null || remindedOn < today) && hourAt(training.zone, house.now()) >= remindFromHour;
  });
  const done = await findDone(
    house,
    wanting.map(({ id }) => id),
  );
  for (const row of wanting) {
    const { days, today } = now.get(row.clientId)!;
    const own = done.filter(({ workId }) => workId === row.id);
    if (workDates(datedOf(row, own), days, today)[0] !== today || own.some(({ doneOn }) => doneOn === today)) continue;
    await house.db.sequelize.transaction(async (transaction) => {
      await changeWork(house, row.id, { remindedOn: today }, transaction);
      await postLetters(
        house,
        row.clientId,
        (person) => (person.role === 'client' ? todayLetter(person, row.terms.name) : null),
        transaction,
      );
    });
  }
}

/** Ends work whose fix holds: three requests in a row below half of the first, and none worse (docs/domain.md §7). */
export async function endWorkThatHolds(house: House): Promise<void> {
  const rows = (await openWork(house)).filter(({ principleId }) => principleId !== null);
  const now = await clientsNow(house, [...new Set(rows.map(({ clientId }) => clientId))]);
  for (const [clientId, { today }] of now) {
    const holding = new Map((await clientThreads(house, clientId, 'coaching')).map((thread) => [thread.principleId, thread]));
    for (const row of rows) {
      const thread = row.clientId === clientId ? holding.get(row.principleId!) : undefined;
      // What was given after the request that showed it was given knowing that: it goes on.
      const since = thread?.points.at(-1)?.sentAt;
      if (thread?.state !== 'holding' || !since || since < row.givenAt.toISOString()) continue;
      await changeWork(house, row.id, { endedOn: today, endedWhy: 'holds', revision: row.revision + 1 });
    }
  }
}
