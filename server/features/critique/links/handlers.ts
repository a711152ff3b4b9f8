import type * as contract from '@lean-mentor/contract';
import type { House } from '../../../house.ts';
import type { Call } from '../../../http/route.ts';
import { sendObject } from '../../../http/sendObject.ts';
import * as service from './service.ts';

export const listReadLinks =
  (house: House) =>
  ({ account, params }: Call<typeof contract.listReadLinks>) =>
    service.listReadLinks(house, account, params.critiqueId);

export const makeReadLink =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.makeReadLink>) =>
    service.makeReadLink(house, account, params.critiqueId, body);

export const endReadLink =
  (house: House) =>
  async ({ params }: Call<typeof contract.endReadLink>) => {
    await service.endReadLink(house, params.critiqueId, params.linkId);
    return { done: true } as const;
  };

export const getSharedCritique =
  (house: House) =>
  ({ params }: Call<typeof contract.getSharedCritique>) =>
    service.getSharedCritique(house, params.token);

export const getSharedStill =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.getSharedStill>) => {
    await sendObject(req, res, house.storage, await service.getSharedStill(house, params.token, params.noteId), 'image/png');
  };

export const getSharedClip =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.getSharedClip>) => {
    await sendObject(req, res, house.storage, await service.getSharedClip(house, params.token, params.noteId), 'video/mp4');
  };

export const getSharedCoachClip =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.getSharedCoachClip>) => {
    await sendObject(req, res, house.storage, await service.getSharedCoachClip(house, params.token, params.clipId), 'video/mp4');
  };
