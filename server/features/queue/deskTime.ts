import type * as contract from '@lean-mentor/contract';
import type { BodyOf } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { putDeskTime } from './repository.ts';

const minuteMs = 60_000;

/**
 * Keeps work at the desk, minute by minute. Told as "so many minutes ago", so that a machine whose clock is wrong tells the truth; told
 * twice, or by two windows at once, a minute counts once.
 */
export async function recordDeskTime(
  house: House,
  accountId: string,
  requestId: string,
  { minutes }: BodyOf<typeof contract.recordDeskTime>,
): Promise<void> {
  const thisMinute = Math.floor(house.now().getTime() / minuteMs) * minuteMs;
  await putDeskTime(
    house,
    minutes.map(({ minutesAgo, seconds }) => ({ accountId, requestId, minuteAt: new Date(thisMinute - minutesAgo * minuteMs), seconds })),
  );
}
