import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendObject } from '../../http/sendObject.ts';
import { clipPosterKey, clipVideoKey } from '../../storage/index.ts';
import * as entries from './entries.ts';
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

export const getBook = (house: House) => () => entries.getBook(house);

export const saveBookPrinciple =
  (house: House) =>
  ({ params, body }: Call<typeof contract.saveBookPrinciple>) =>
    entries.saveBookPrinciple(house, params.principleId, body);

export const removeBookPrinciple =
  (house: House) =>
  async ({ params }: Call<typeof contract.removeBookPrinciple>) => {
    await entries.removeBookPrinciple(house, params.principleId);
    return { done: true } as const;
  };

export const mergeBookPrinciples =
  (house: House) =>
  async ({ params, body }: Call<typeof contract.mergeBookPrinciples>) => ({
    done: true as const,
    notes: await entries.mergeBookPrinciples(house, params.principleId, body.intoId),
  });

export const saveBookDrill =
  (house: House) =>
  ({ params, body }: Call<typeof contract.saveBookDrill>) =>
    entries.saveBookDrill(house, params.drillId, body);

export const removeBookDrill =
  (house: House) =>
  async ({ params }: Call<typeof contract.removeBookDrill>) => {
    await entries.removeBookDrill(house, params.drillId);
    return { done: true } as const;
  };

export const importBook =
  (house: House) =>
  ({ body }: Call<typeof contract.importBook>) =>
    entries.importBook(house, body);

export const addStarterBook = (house: House) => () => entries.addStarterBook(house);
