import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendObject } from '../../http/sendObject.ts';
import { clipPosterKey, clipVideoKey } from '../../storage/index.ts';
import * as service from './service.ts';

export const listClips = (house: House) => () => service.listClips(house);

export const addClip =
  (house: House) =>
  ({ body }: Call<typeof contract.addClip>) =>
    service.addClip(house, body);

export const saveClipVideo =
  (house: House) =>
  ({ params, req }: Call<typeof contract.saveClipVideo>) =>
    service.saveClipVideo(house, params.clipId, req);

export const renameClip =
  (house: House) =>
  ({ params, body }: Call<typeof contract.renameClip>) =>
    service.renameClip(house, params.clipId, body.title);

export const removeClip =
  (house: House) =>
  async ({ params }: Call<typeof contract.removeClip>) => {
    await service.removeClip(house, params.clipId);
    return { done: true } as const;
  };

export const streamClip =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.streamClip>) => {
    const { id } = await service.clipOr404(house, params.clipId);
    await sendObject(req, res, house.storage, clipVideoKey(id), 'video/mp4');
  };

export const getClipPoster =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.getClipPoster>) => {
    const { id } = await service.clipOr404(house, params.clipId);
    await sendObject(req, res, house.storage, clipPosterKey(id), 'image/jpeg');
  };
