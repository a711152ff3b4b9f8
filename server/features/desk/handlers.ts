import { notesCsv } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendObject } from '../../http/sendObject.ts';
import * as memos from './memos.ts';
import * as noteFiles from './noteFiles.ts';
import * as service from './service.ts';
import * as stills from './stills.ts';

export const openDesk =
  (house: House) =>
  ({ params }: Call<typeof contract.openDesk>) =>
    service.openDesk(house, params.requestId);

export const saveDeskChanges =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.saveDeskChanges>) =>
    service.saveDeskChanges(house, account, params.requestId, body);

export const getClientNotes =
  (house: House) =>
  ({ params }: Call<typeof contract.getClientNotes>) =>
    service.getClientNotes(house, params.requestId);

/** What lies on the desk changes: a still is made anew each time. */
const fresh = 'private, no-store';

export const getDeskStillPng =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getDeskStillPng>) => {
    const still = await house.turns.run(account.id, () => stills.getDeskStillPng(house, params));
    res.set('Cache-Control', fresh).type('image/png').send(still);
  };

export const getDeskStillSvg =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getDeskStillSvg>) => {
    const still = await house.turns.run(account.id, () => stills.getDeskStillSvg(house, params));
    res.set('Cache-Control', fresh).type('image/svg+xml').send(still);
  };

export const saveMemoSound =
  (house: House) =>
  async ({ params, req }: Call<typeof contract.saveMemoSound>) => {
    await memos.saveMemoSound(house, params.requestId, params.memoId, req);
    return { done: true } as const;
  };

export const getMemoSound =
  (house: House) =>
  async ({ params, req, res }: Call<typeof contract.getMemoSound>) => {
    const key = await memos.memoSoundKey(house, params.requestId, params.memoId);
    await sendObject(req, res, house.storage, key, 'audio/webm');
  };

export const exportNotes =
  (house: House) =>
  async ({ params, res }: Call<typeof contract.exportNotes>) => {
    const file = await noteFiles.exportNotes(house, params.requestId);
    res.set('Cache-Control', fresh).attachment(`notes.${params.as}`);
    if (params.as === 'csv') res.type('text/csv; charset=utf-8').send(notesCsv(file.notes));
    else res.type('application/json').send(`${JSON.stringify(file, null, 2)}\n`);
  };

export const importNotes =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.importNotes>) =>
    noteFiles.importNotes(house, account, params.requestId, body);
