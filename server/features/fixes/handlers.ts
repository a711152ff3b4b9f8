import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import * as service from './service.ts';

export const getLadder =
  (house: House) =>
  ({ params }: Call<typeof contract.getLadder>) =>
    service.getLadder(house, params.requestId);

export const saveFixChoice =
  (house: House) =>
  ({ params, body }: Call<typeof contract.saveFixChoice>) =>
    service.saveFixChoice(house, params.requestId, body);

export const saveOwnSchool =
  (house: House) =>
  ({ body }: Call<typeof contract.saveOwnSchool>) =>
    service.saveOwnSchool(house, body);

export const listFixOrders = (house: House) => () => service.listFixOrders(house);
