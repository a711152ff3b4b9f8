import { z } from 'zod';
import { done, instant, linkToken } from './ids.ts';
import { everyRole, operation } from './operation.ts';

const room = { room: 'queue' } as const;

export const getCalendarLink = operation({
  ...room,
  name: 'getCalendarLink',
  method: 'get',
  path: '/api/calendar-link',
  access: everyRole,
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
  access: everyRole,
  about: ['calendar-link'],
  summary: 'Makes an address under which a calendar program reads the days ahead; one that was there before opens nothing any more.',
  response: z.object({ path: z.string() }),
});

export const endCalendarLink = operation({
  ...room,
  name: 'endCalendarLink',
  method: 'delete',
  path: '/api/calendar-link',
  access: everyRole,
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
    'The days ahead as iCalendar (RFC 5545). Of the coaching side: reviews as they lie in the working windows, and pauses; names of clients, nothing of what they asked. Of clients and guardians: days with work.',
  params: z.object({ calendarToken: linkToken }),
  stream: 'text/calendar',
});
