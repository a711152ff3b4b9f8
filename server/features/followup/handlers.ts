import type { Account, Client, rooms } from '@lean-mentor/contract';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import type { Handlers } from '../../http/serveRoom.ts';
import { coachesHere } from '../access/index.ts';
import { findClient } from '../clients/index.ts';
import { findQuestionsOf, listCritiquesOfClient } from '../critique/index.ts';
import { listRequestsOfClients } from '../requests/index.ts';
import { getWorkEffects } from './effects.ts';
import { getOwnEye } from './ownEye.ts';
import { clientProgress } from './progress.ts';
import { setThreadClosed } from './repository.ts';

type Readers = 'coaching' | 'client';
const readersOf = (account: Account): Readers => (coachesHere(account) ? 'coaching' : 'client');

/** What was written about a client for the coaching side is not for the client to read. */
const clientFor = (readers: Readers, client: Client): Client =>
  readers === 'coaching' ? client : { ...client, about: '', agreements: [] };

async function clientOr404(house: House, clientId: string): Promise<Client> {
  const client = await findClient(house, clientId);
  if (!client) throw new ContractError('not-found');
  return client;
}

export const followupHandlers: Handlers<typeof rooms.followup> = {
  getClientHistory: async (house, { params, account }) => {
    const client = await clientOr404(house, params.clientId);
    const readers = readersOf(account);
    const [requests, critiques] = await Promise.all([
      listRequestsOfClients(house, [client.id], readers),
      listCritiquesOfClient(house, client.id),
    ]);
    const questions = await findQuestionsOf(
      house,
      critiques.map(({ id }) => id),
    );
    return { client: clientFor(readers, client), requests, critiques, questions };
  },

  getClientProgress: async (house, { params, account }) => {
    const client = await clientOr404(house, params.clientId);
    return clientProgress(house, client.id, readersOf(account));
  },

  getOwnEye: (house, { params }) => getOwnEye(house, params.clientId),

  getWorkEffects: (house, { params }) => getWorkEffects(house, params.principleId),

  closeThread: async (house, { params, body }) => {
    const client = await clientOr404(house, params.clientId);
    await setThreadClosed(house, client.id, params.principleId, body.closed);
    return { done: true } as const;
  },
};
