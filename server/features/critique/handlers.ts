import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { sendFile } from '../../http/sendFile.ts';
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
  async ({ account, params, res }: Call<typeof contract.getCritiqueStill>) =>
    sendFile(res, await service.getCritiqueStill(house, account, params.critiqueId, params.position), 'image/png');

export const markCritiqueRead =
  (house: House) =>
  ({ account, params }: Call<typeof contract.markCritiqueRead>) =>
    service.markCritiqueRead(house, account, params.critiqueId);
