import { orderPolicies, type OrderPolicy } from '@lean-mentor/core/queue';
import { useEffect, useState } from 'react';
import { scheduleInputOf, type Today } from './daySchedule.ts';
import type { ScheduleAnswered, ScheduleAsked } from './scheduleWorker.ts';

export type Schedules = Partial<Record<OrderPolicy, Omit<ScheduleAnswered, 'id'>>>;

let asked = 0;

/**
 * What every policy leads to, computed in a worker: the kept one first. What was computed last stays until the new is there, so that the
 * page does not flicker each minute. Empty at first.
 */
export function useSchedule(today: Today | undefined): Schedules {
  const [schedules, setSchedules] = useState<Schedules>({});
  useEffect(() => {
    if (!today) return;
    const worker = new Worker(new URL('./scheduleWorker.ts', import.meta.url), { type: 'module' });
    const id = (asked += 1);
    worker.onmessage = ({ data: { id: answered, ...rest } }: MessageEvent<ScheduleAnswered>) => {
      if (answered === id) setSchedules((before) => ({ ...before, [rest.forecast.policy]: rest }));
    };
    const policies = [today.policy, ...orderPolicies.filter((policy) => policy !== today.policy)];
    worker.postMessage({ id, input: scheduleInputOf(today), policies } satisfies ScheduleAsked);
    return () => worker.terminate();
  }, [today]);
  return schedules;
}
