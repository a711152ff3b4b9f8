import { dayAt, dayText } from '@lean-mentor/core/queue';
import { workDates } from '@lean-mentor/core/work';
import type { House } from '../../house/house.ts';
import { postLetters } from '../letters/index.ts';
import { todayLetter } from './letters.ts';
import type { WorkRow } from './model.ts';
import { changeWork, findDone, findWorkBetween } from './repository.ts';
import { clientsNow } from './training.ts';
import { datedOf } from './views.ts';

/** Work that has not ended, wherever its client is. */
export const findOpenWork = (house: House): Promise<WorkRow[]> =>
  findWorkBetween(house, dayText(dayAt('UTC', house.now().getTime())), '9999-01-01');

/** From this hour on of their own day clients are reminded of it. */
const remindFromHour = 7;
const hourAt = (zone: string, at: Date): number =>
  Number(new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: 'numeric', hour12: false }).format(at)) % 24;

/** Writes to those who want it on the morning of a day with work: one letter for each piece of it, once a day. */
export async function remindOfWork(house: House): Promise<void> {
  const rows = await findOpenWork(house);
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
