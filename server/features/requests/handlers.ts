import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { visibleClients } from '../access/index.ts';
import { listRequestsOfClients } from './repository.ts';
import * as service from './service.ts';

export const createRequest =
  (house: House) =>
  ({ account, body }: Call<typeof contract.createRequest>) =>
    service.createRequest(house, account, body);

export const listRequests =
  (house: House) =>
  async ({ account }: Call<typeof contract.listRequests>) => ({
    requests: await listRequestsOfClients(house, visibleClients(account)),
  });
