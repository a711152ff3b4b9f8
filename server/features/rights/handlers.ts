import type { Account, rooms, Rights } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import { askToBeForgotten, forgetClient, takeBackForgetting } from './forget.ts';
import { countBytes, countGoing, countStaying, findForgetting, findNamed, findNamedElsewhere } from './repository.ts';
import { getRetention, previewRetention, setRetention } from './retention.ts';
import { takeAll } from './takeAll.ts';
import { findTrail } from './trailRepository.ts';

const why = 'What was paid is kept as long as the law has it kept. No footage and no note hangs on it.';

/** What is kept of a client, and what becomes of it when they are forgotten. */
async function rightsOf(house: House, account: Account, clientId: string): Promise<Rights> {
  const client = await findNamed(house, clientId);
  if (!client) throw new ContractError('not-found');
  const [asked, goes, bytes, stays, namedElsewhere] = await Promise.all([
    findForgetting(house, clientId),
    countGoing(house, client),
    countBytes(house, client),
    countStaying(house, client),
    // Others’ words are none of a client’s business.
    account.role === 'coach' ? findNamedElsewhere(house, client) : [],
  ]);
  return {
    name: client.name,
    forgetting: asked && { askedBy: asked.askedBy, askedAt: asked.askedAt.toISOString(), dueAt: asked.dueAt.toISOString() },
    ...{ goes, bytes, stays: stays.map((kind) => ({ ...kind, why })), namedElsewhere },
  };
}

const done = { done: true } as const;

export const rightsHandlers: Handlers<typeof rooms.rights> = {
  getRights: (house, { account, params }) => rightsOf(house, account, params.clientId),
  takeAll: (house, { account, params, res }) => takeAll(house, account, params.clientId, res),
  async askToBeForgotten(house, { account, params, body }) {
    await askToBeForgotten(house, account, params.clientId, body.name);
    return done;
  },
  async takeBackForgetting(house, { params }) {
    await takeBackForgetting(house, params.clientId);
    return done;
  },
  async forgetClient(house, { params, body }) {
    await forgetClient(house, params.clientId, body.name);
    return done;
  },
  listTrail: (house, { params }) => findTrail(house, params.clientId),
  getRetention: (house) => getRetention(house),
  previewRetention: (house, { body }) => previewRetention(house, body),
  async setRetention(house, { body }) {
    await setRetention(house, body.retention, body.revision);
    return done;
  },
};
