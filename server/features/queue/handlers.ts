import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { changePractice } from '../practice/index.ts';
import { placeRequest } from '../requests/index.ts';
import { endCalendarLink, getCalendarLink, makeCalendarLink, readCalendar } from './calendar.ts';
import { recordDeskTime } from './deskTime.ts';
import { actOnHandOver, giveOver, listHandOvers } from './handOver.ts';
import { endPause, pauseWork } from './pauses.ts';
import { getPromise, getPromises } from './promises.ts';
import { getWorkload } from './workload.ts';
import { getToday } from './today.ts';

const done = { done: true } as const;

export const queueHandlers: Handlers<typeof rooms.queue> = {
  getToday: (house) => getToday(house),

  setPolicy: async (house, { body }) => {
    await changePractice(house, body);
    return done;
  },

  placeRequest: async (house, { account, params, body }) => {
    await placeRequest(house, account, params.requestId, body.place);
    return done;
  },

  getPromise: (house, { params }) => getPromise(house, params.requestId),

  getPromises: (house) => getPromises(house),

  getWorkload: (house) => getWorkload(house),

  pauseWork: (house, { body }) => pauseWork(house, body),

  endPause: async (house, { params }) => {
    await endPause(house, params.pauseId);
    return done;
  },

  getCalendarLink: (house, { account }) => getCalendarLink(house, account.id),

  makeCalendarLink: (house, { account }) => makeCalendarLink(house, account.id),

  endCalendarLink: async (house, { account }) => {
    await endCalendarLink(house, account.id);
    return done;
  },

  readCalendar: async (house, { params, res }) => {
    res.type('text/calendar').send(await readCalendar(house, params.calendarToken));
  },

  listHandOvers: (house, { account }) => listHandOvers(house, account),

  giveOver: (house, { account, params, body }) => giveOver(house, account, params.requestId, body),

  actOnHandOver: async (house, { account, params, body }) => {
    await actOnHandOver(house, account, params.handOverId, body);
    return done;
  },

  recordDeskTime: async (house, { account, params, body }) => {
    await recordDeskTime(house, account.id, params.requestId, body);
    return done;
  },
};
