import type * as contract from '@lean-mentor/contract';
import type { ResponseOf, WorkWeekRow } from '@lean-mentor/contract';
import { daysAfter } from '@lean-mentor/core/queue';
import { countsOf, stuckWords, workDates, workState } from '@lean-mentor/core/work';
import type { House } from '../../house/house.ts';
import { findClients } from '../clients/index.ts';
import { painView } from './painView.ts';
import type { WorkDoneRow, WorkRow } from './model.ts';
import { findDone, findOpenPains, findUnseen, findWork, findWorkBetween } from './repository.ts';
import { clientsNow, type ClientNow } from './training.ts';
import { datedOf, namesOfPrinciples } from './views.ts';

const weekDays = 7;
/** The Monday of the week in which a day lies. */
const mondayOf = (day: string): string => daysAfter(day, 1 - (new Date(`${day}T12:00:00Z`).getUTCDay() || weekDays));

/** What was done of each work, by its id. */
async function doneOf(house: House, rows: readonly WorkRow[]): Promise<Map<string, WorkDoneRow[]>> {
  const done = await findDone(
    house,
    rows.map(({ id }) => id),
  );
  const byWork = new Map<string, WorkDoneRow[]>();
  for (const one of done) byWork.set(one.workId, [...(byWork.get(one.workId) ?? []), one]);
  return byWork;
}

interface Week {
  fromOn: string;
  untilOn: string;
}

function weekRowOf(
  row: WorkRow,
  done: readonly WorkDoneRow[],
  { fromOn, untilOn }: Week,
  now: ClientNow,
  names: { client: string; principle: string | null },
): WorkWeekRow {
  const { terms } = row;
  const dated = datedOf(row, done);
  const { state, stoppedBy } = workState(dated, now.days, now.today);
  const { verdict } = row;
  const felt = done.map(({ entry }) => entry.felt);
  return {
    ...{ clientId: row.clientId, clientName: names.client, workId: row.id, name: terms.name, principleName: names.principle, state },
    stoppedBy: stoppedBy.map(({ part, side }) => ({ part, side })),
    due: workDates(dated, now.days, now.today).filter((day) => fromOn <= day && day < untilOn),
    done: done
      .filter(({ doneOn }) => fromOn <= doneOn && doneOn < untilOn)
      .map(({ id, doneOn, entry: { felt: how, line, rounds } }) => ({
        ...{ id, doneOn, felt: how, line },
        counted: terms.kind === 'round' ? rounds.map((round) => countsOf(round, terms.test)) : [],
      })),
    ...{ times: done.length, verdict, stuck: stuckWords({ state, stoppedBy, times: done.length, verdict, felt }) },
  };
}

/** The week in which a day lies, of all clients: those who are stuck first, then by name. */
export async function getWorkWeek(house: House, onDay: string): Promise<ResponseOf<typeof contract.getWorkWeek>> {
  const fromOn = mondayOf(onDay);
  const untilOn = daysAfter(fromOn, weekDays);
  const work = await findWorkBetween(house, fromOn, untilOn);
  const clientIds = [...new Set(work.map(({ clientId }) => clientId))];
  const [done, now, clients, names] = await Promise.all([
    doneOf(house, work),
    clientsNow(house, clientIds),
    findClients(house, clientIds),
    namesOfPrinciples(house),
  ]);
  const nameOf = new Map(clients.map(({ id, name }) => [id, name]));
  const rows = work.map((row) =>
    weekRowOf(row, done.get(row.id) ?? [], { fromOn, untilOn }, now.get(row.clientId)!, {
      client: nameOf.get(row.clientId) ?? '',
      principle: row.principleId ? (names.get(row.principleId) ?? null) : null,
    }),
  );
  // Work whose weeks were over before this one, and of which nothing was done in it, is no part of it.
  const here = rows.filter(({ state, done: days }) => state !== 'ended' || days.length > 0);
  const order = (a: WorkWeekRow, b: WorkWeekRow): number =>
    Number(b.stuck !== '') - Number(a.stuck !== '') || a.clientName.localeCompare(b.clientName) || a.name.localeCompare(b.name);
  return { fromOn, untilOn, rows: here.sort(order) };
}

/** What of the work of all clients nobody of the coaching side has looked at. */
export async function getWorkToSee(house: House): Promise<ResponseOf<typeof contract.getWorkToSee>> {
  const [pains, unseen] = await Promise.all([findOpenPains(house), findUnseen(house)]);
  const clientIds = [...new Set(unseen.map(({ clientId }) => clientId))];
  const everyone = [...new Set([...clientIds, ...pains.map(({ clientId }) => clientId)])];
  const [clients, work] = await Promise.all([findClients(house, everyone), findWork(house, clientIds)]);
  const nameOf = new Map(clients.map(({ id, name }) => [id, name]));
  return {
    pains: pains.map((row) => ({ ...painView(row), clientId: row.clientId, clientName: nameOf.get(row.clientId) ?? '' })),
    clients: clientIds.map((clientId) => {
      const own = unseen.filter((one) => one.clientId === clientId);
      const touched = work.filter(({ id }) => own.some(({ workId }) => workId === id));
      return {
        ...{ clientId, clientName: nameOf.get(clientId) ?? '', times: own.length, lastOn: own.at(-1)!.doneOn },
        retests: touched.flatMap(({ terms, verdict }) => (verdict ? [{ name: terms.name, verdict }] : [])),
      };
    }),
  };
}
