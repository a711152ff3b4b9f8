import type { ReadSchedule } from '@lean-mentor/contract';
import { deskTimeFrom, instantText, orderPolicies, schedule } from '@lean-mentor/core/queue';

/** To the thousandth: below that are the traces of adding up. */
const tidy = (value: number): number => Math.round(value * 1000) / 1000;

/** When each request is begun and finished under the policy asked for, and what every policy would lead to. */
export function scheduleAnswer({ input, past, policy }: ReadSchedule): object {
  const { zone } = input.hours;
  const text = (at: number | null): string | null => (at === null ? null : instantText(zone, Math.round(at / 1000) * 1000));
  const all = schedule({ ...input, deskTime: deskTimeFrom(past) }, orderPolicies);
  return {
    requests: all
      .find((forecast) => forecast.policy === policy)!
      .reviews.map(({ id, startP50At, finishP50At, finishP80At, lateShare }) => ({
        id,
        startP50At: text(startP50At),
        finishP50At: text(finishP50At),
        finishP80At: text(finishP80At),
        lateShare: tidy(lateShare),
      })),
    policies: all.map((forecast) => ({
      policy: forecast.policy,
      numberLate: tidy(forecast.numberLate),
      weightedLatenessHours: tidy(forecast.weightedLatenessHours),
      meanWaitHours: tidy(forecast.meanWaitHours),
      longestWaitHours: tidy(forecast.longestWaitHours),
      order: forecast.order,
    })),
  };
}
