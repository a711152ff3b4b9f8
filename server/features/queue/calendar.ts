import { deskTimeFrom, schedule, workingWindows, type WaitingReview } from '@lean-mentor/core/queue';
import { addDays } from 'date-fns';
import ical, { ICalCalendarMethod, ICalEventTransparency, type ICalCalendar } from 'ical-generator';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { digestOf, oneTime } from '../../house/oneTime.ts';
import { coachesHere, findAccount } from '../access/index.ts';
import { findPastReviews, findPlans, findWaiting, practiceNow } from '../practice/index.ts';
import { workCalendar } from '../work/index.ts';
import {
  deleteCalendarLink,
  findCalendarLink,
  findCalendarLinkByDigest,
  findClientNames,
  putCalendarLink,
  readCalendarLink,
} from './repository.ts';

/** Days of the calendar, and draws of them: a block's middle does not need more. */
const [daysAhead, runs, seed] = [14, 400, 1];

export async function getCalendarLink(
  house: House,
  accountId: string,
): Promise<{ link: { madeAt: string; readAt: string | null } | null }> {
  const row = await findCalendarLink(house, accountId);
  return { link: row && { madeAt: row.madeAt.toISOString(), readAt: row.readAt?.toISOString() ?? null } };
}

/** Makes an account's address; the one before opens nothing any more. */
export async function makeCalendarLink(house: House, accountId: string): Promise<{ path: string }> {
  const { token, digest } = oneTime();
  await putCalendarLink(house, { accountId, digest, madeAt: house.now(), readAt: null });
  return { path: `/api/calendar/${token}` };
}

export const endCalendarLink = (house: House, accountId: string): Promise<void> => deleteCalendarLink(house, accountId);

/** What lies in the days ahead, as iCalendar. Refused where nobody has this address any more, or whoever has it is paused. */
export async function readCalendar(house: House, token: string): Promise<string> {
  const row = await findCalendarLinkByDigest(house, digestOf(token));
  const account = row && (await findAccount(house, row.accountId));
  if (!account) throw new ContractError('not-found');
  await readCalendarLink(house, account.id);
  const agreed = account.clients.filter((client) => client.agreed).map(({ id }) => id);
  return (await (coachesHere(account) ? reviewCalendar(house) : workCalendar(house, agreed))).toString();
}

/** Reviews as they lie in the working windows, and pauses. */
async function reviewCalendar(house: House): Promise<ICalCalendar> {
  const [{ practice, hours, pauses }, plans, past] = await Promise.all([practiceNow(house), findPlans(house), findPastReviews(house)]);
  const reviews = await findWaiting(house, plans);
  const names = await findClientNames(
    house,
    reviews.map(({ client }) => client),
  );
  const nowAt = house.now().getTime();
  const [forecast] = schedule({ reviews, hours, nowAt, deskTime: deskTimeFrom(past), seed, runs }, [practice.policy]);
  const calendar = ical({ name: 'Lean Mentor', prodId: { company: 'Lean Mentor', product: 'day', language: 'EN' }, ttl: 3600 });
  calendar.method(ICalCalendarMethod.PUBLISH);
  const reviewOf = new Map<string, WaitingReview>(reviews.map((review) => [review.id, review]));
  for (const { id, startP50At, finishP50At } of forecast!.reviews) {
    if (startP50At === null || finishP50At === null || startP50At > addDays(nowAt, daysAhead).getTime()) continue;
    const { client, dueAt } = reviewOf.get(id)!;
    workingWindows(hours, startP50At, finishP50At).forEach(({ fromAt, toAt }, part) =>
      calendar.createEvent({
        ...{ id: `${id}-${part}`, start: new Date(fromAt), end: new Date(toAt), stamp: house.now() },
        summary: `Review: ${names.get(client) ?? ''}`,
        description: `Promised for ${new Date(dueAt).toISOString().slice(0, 16).replace('T', ' ')} UTC. ${house.config.url}/requests/${id}/desk`,
        transparency: ICalEventTransparency.OPAQUE,
      }),
    );
  }
  for (const { id, fromAt, untilAt } of pauses)
    calendar.createEvent({
      id,
      start: fromAt,
      end: untilAt,
      stamp: house.now(),
      summary: 'Away',
      transparency: ICalEventTransparency.OPAQUE,
    });
  return calendar;
}
