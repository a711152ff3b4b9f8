import type { rooms } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import { sendObject } from '../../http/sendObject.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import { clipVideoKey } from '../../storage/index.ts';
import { workCalendar } from './calendar.ts';
import { clientOr404, endWork, giveWork, proposeWork } from './give.ts';
import { logWork, removeDoneWork, settlePain } from './log.ts';
import { findWork, markSeen, putTraining } from './repository.ts';
import { sendRound } from './sendRound.ts';
import { getClientWork } from './views.ts';
import { getWorkToSee, getWorkWeek } from './week.ts';

const done = { done: true } as const;

export const workHandlers: Handlers<typeof rooms.work> = {
  getClientWork: async (house, { params }) => getClientWork(house, await clientOr404(house, params.clientId)),

  proposeWork: (house, { params }) => proposeWork(house, params.clientId, params.principleId),

  giveWork: (house, { account, params, body }) => giveWork(house, account, params, body),

  endWork: async (house, { params, body }) => {
    await endWork(house, params, body);
    return done;
  },

  logWork: (house, { params, body }) => logWork(house, params, body),

  removeDoneWork: async (house, { params }) => {
    await removeDoneWork(house, params);
    return done;
  },

  sendRound: (house, { account, params }) => sendRound(house, account, params),

  setTraining: async (house, { params, body }) => {
    await putTraining(house, params.clientId, body);
    return done;
  },

  settlePain: async (house, { account, params, body }) => {
    await settlePain(house, account, params.clientId, params.painId, body.words);
    return done;
  },

  seeWork: async (house, { params }) => {
    await markSeen(house, params.clientId);
    return done;
  },

  getWorkWeek: (house, { params }) => getWorkWeek(house, params.onDay),

  getWorkToSee: (house) => getWorkToSee(house),

  getWorkCalendar: async (house, { params, res }) => {
    const calendar = await workCalendar(house, [params.clientId]);
    res.attachment('work.ics').type('text/calendar').send(calendar.toString());
  },

  streamWorkClip: async (house, { params, req, res }) => {
    const given = (await findWork(house, [params.clientId])).flatMap(({ terms }) => terms.clipIds);
    if (!given.includes(params.clipId)) throw new ContractError('not-found');
    await sendObject(req, res, house.storage, clipVideoKey(params.clipId), 'video/mp4');
  },
};
