import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import type { Call } from '../../http/route.ts';
import { maySeeClient, visibleClients } from '../access/index.ts';
import { listCritiquesOfClient } from '../critique/index.ts';
import { countRequestsByClient, listRequestsOfClients } from '../requests/index.ts';
import { findClient, findClients } from './repository.ts';

export const listClients = (house: House) => async (_: Call<typeof contract.listClients>) => {
  const [clients, counts] = await Promise.all([findClients(house), countRequestsByClient(house)]);
  return { clients: clients.map((client) => ({ ...client, ...(counts.get(client.id) ?? { requests: 0, waiting: 0 }) })) };
};

export const getClientHistory =
  (house: House) =>
  async ({ params, account }: Call<typeof contract.getClientHistory>) => {
    const client = maySeeClient(account, params.clientId) ? await findClient(house, params.clientId) : null;
    if (!client) throw new ContractError('not-found');
    const [requests, critiques] = await Promise.all([
      listRequestsOfClients(house, [client.id], visibleClients(account) === null),
      listCritiquesOfClient(house, client.id),
    ]);
    return { client, requests, critiques };
  };
