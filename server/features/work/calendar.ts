import { daysAfter } from '@lean-mentor/core/queue';
import { datesTold, workDates } from '@lean-mentor/core/work';
import ical, { ICalCalendarMethod, ICalEventTransparency, type ICalCalendar } from 'ical-generator';
import type { House } from '../../house/house.ts';
import { findClients } from '../clients/index.ts';
import { findDone, findWork } from './repository.ts';
import { clientsNow } from './training.ts';
import { datedOf } from './views.ts';

/** The days ahead with work of some clients, as whole days: where and when in the day they train is theirs. */
export async function workCalendar(house: House, clientIds: readonly string[]): Promise<ICalCalendar> {
  const [rows, now, clients] = await Promise.all([
    findWork(house, clientIds),
    clientsNow(house, clientIds),
    findClients(house, [...clientIds]),
  ]);
  const done = await findDone(
    house,
    rows.map(({ id }) => id),
  );
  const calendar = ical({ name: 'My work', prodId: { company: 'Lean Mentor', product: 'work', language: 'EN' }, ttl: 3600 });
  calendar.method(ICalCalendarMethod.PUBLISH);
  for (const row of rows) {
    const { days, today } = now.get(row.clientId)!;
    const own = done.filter(({ workId }) => workId === row.id);
    const whose = clients.length > 1 ? `${clients.find(({ id }) => id === row.clientId)?.name ?? ''}: ` : '';
    for (const day of workDates(datedOf(row, own), days, today).slice(0, datesTold))
      calendar.createEvent({
        ...{ id: `${row.id}-${day}`, allDay: true, stamp: house.now(), summary: `${whose}${row.terms.name}` },
        ...{ start: new Date(`${day}T00:00:00Z`), end: new Date(`${daysAfter(day, 1)}T00:00:00Z`), timezone: 'UTC' },
        description: `${row.terms.cue ? `“${row.terms.cue}” ` : ''}${house.config.url}/work`,
        transparency: ICalEventTransparency.TRANSPARENT,
      });
  }
  return calendar;
}
