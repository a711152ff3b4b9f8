import { z } from 'zod';
import { done, instant, linkToken } from './ids.ts';
import { coaching, operation } from './operation.ts';

const room = { room: 'queue' } as const;

export const getCalendarLink = operation({
  ...room,
  name: 'getCalendarLink',
  method: 'get',
  path: '/api/calendar-link',
  access: coaching,
  about: ['calendar-link'],
  summary:
    'Whether the caller has an address for a calendar program, since when, and when it was read last. The address itself is told once, when it is made.',
  response: z.object({ link: z.object({ madeAt: instant, readAt: instant.nullable() }).nullable() }),
});

export const makeCalendarLink = operation({
  ...room,
  name: 'makeCalendarLink',
  method: 'post',
  path: '/api/calendar-link',
  access: coaching,
  about: ['calendar-link'],
  summary: 'Makes an address under which a calendar program reads the day; one that was there before opens nothing any more.',
  response: z.object({ path: z.string() }),
});

export const endCalendarLink = operation({
  ...room,
  name: 'endCalendarLink',
  method: 'delete',
  path: '/api/calendar-link',
  access: coaching,
  evenWithoutRoom: true,
  about: ['calendar-link'],
  summary: 'The address for calendar programs opens nothing any more.',
  response: done,
});

export const readCalendar = operation({
  ...room,
  name: 'readCalendar',
  method: 'get',
  path: '/api/calendar/:calendarToken',
  access: 'anyone',
  summary:
    'The days ahead as iCalendar (RFC 5545): reviews as they lie in the working windows, and pauses. Names of clients, nothing of what they asked.',
  params: z.object({ calendarToken: linkToken }),
  stream: 'text/calendar',
});
