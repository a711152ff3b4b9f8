import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import * as service from './service.ts';

export const openDesk =
  (house: House) =>
  ({ params }: Call<typeof contract.openDesk>) =>
    service.openDesk(house, params.requestId);

export const saveDeskChanges =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.saveDeskChanges>) =>
    service.saveDeskChanges(house, account, params.requestId, body);
