import { z } from 'zod';
import { id, instant } from './ids.ts';
import { coaching, operation } from './operation.ts';
import { request } from './requests.ts';

export const todayRow = request.extend({
  clientLevel: z.number().int().min(1).max(5),
  estimatedDeskMinutes: z.number().min(0),
  marks: z.number().int(),
  notes: z.number().int(),
});
export type TodayRow = z.infer<typeof todayRow>;

export const getToday = operation({
  name: 'getToday',
  room: 'queue',
  method: 'get',
  path: '/api/today',
  access: coaching,
  about: ['request'],
  summary: 'Open requests, due first, and how they lie in the working windows ahead.',
  response: z.object({
    rows: z.array(todayRow),
    windows: z.array(z.object({ fromAt: instant, toAt: instant })),
    plan: z.array(z.object({ requestId: id, startAt: instant, endAt: instant, late: z.boolean() })),
  }),
});
