import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { sendObject } from '../../http/sendObject.ts';
import type { Call } from '../../http/route.ts';
import * as service from './service.ts';

export const getCritiqueDraft =
  (house: House) =>
  ({ params }: Call<typeof contract.getCritiqueDraft>) =>
    service.getCritiqueDraft(house, params.requestId);

export const saveCritiqueDraft =
  (house: House) =>
  ({ params, body }: Call<typeof contract.saveCritiqueDraft>) =>
    service.saveCritiqueDraft(house, params.requestId, body);

export const sendCritique =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.sendCritique>) =>
    service.sendCritique(house, account, params.requestId, body);

export const getCritique =
  (house: House) =>
  ({ account, params }: Call<typeof contract.getCritique>) =>
    service.getCritique(house, account, params.critiqueId);

export const getCritiqueStill =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.getCritiqueStill>) => {
    const key = await service.getCritiqueStill(house, account, params.critiqueId, params.position);
    await sendObject(req, res, house.storage, key, 'image/png');
  };

export const markCritiqueRead =
  (house: House) =>
  ({ account, params }: Call<typeof contract.markCritiqueRead>) =>
    service.markCritiqueRead(house, account, params.critiqueId);
