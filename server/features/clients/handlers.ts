import type * as contract from '@lean-mentor/contract';
import type { Client } from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import type { Call } from '../../http/route.ts';
import { coachesHere } from '../access/index.ts';
import { findQuestionsOf, listCritiquesOfClient } from '../critique/index.ts';
import { countRequestsByClient, listRequestsOfClients } from '../requests/index.ts';
import { getClientProgress as progressOf } from './progress.ts';
import { findClient, findClients, setThreadClosed } from './repository.ts';
import { searchWords as search } from './search/searchWords.ts';

export const listClients = (house: House) => async (_: Call<typeof contract.listClients>) => {
  const [clients, counts] = await Promise.all([findClients(house), countRequestsByClient(house)]);
  return { clients: clients.map((client) => ({ ...client, ...(counts.get(client.id) ?? { requests: 0, waiting: 0 }) })) };
};

/** What was written about a client for the coaching side is not for the client to read. */
const clientFor = (readers: 'coaching' | 'client', client: Client): Client =>
  readers === 'coaching' ? client : { ...client, about: '', agreements: [] };

export const getClientHistory =
  (house: House) =>
  async ({ params, account }: Call<typeof contract.getClientHistory>) => {
    const client = await findClient(house, params.clientId);
    if (!client) throw new ContractError('not-found');
    const readers = coachesHere(account) ? 'coaching' : 'client';
    const [requests, critiques] = await Promise.all([
      listRequestsOfClients(house, [client.id], readers),
      listCritiquesOfClient(house, client.id),
    ]);
    const questions = await findQuestionsOf(house, critiques.map(({ id }) => id)); // prettier-ignore
    return { client: clientFor(readers, client), requests, critiques, questions };
  };

export const getClientProgress =
  (house: House) =>
  async ({ params, account }: Call<typeof contract.getClientProgress>) => {
    if (!(await findClient(house, params.clientId))) throw new ContractError('not-found');
    return progressOf(house, params.clientId, coachesHere(account) ? 'coaching' : 'client');
  };

export const closeThread =
  (house: House) =>
  async ({ params, body }: Call<typeof contract.closeThread>) => {
    if (!(await findClient(house, params.clientId))) throw new ContractError('not-found');
    await setThreadClosed(house, params.clientId, params.principleId, body.closed);
    return { done: true } as const;
  };

export const searchWords =
  (house: House) =>
  ({ body }: Call<typeof contract.searchWords>) =>
    search(house, body);
