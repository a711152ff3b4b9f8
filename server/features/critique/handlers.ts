import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import { sendObject } from '../../http/sendObject.ts';
import { getChapters as chaptersOf } from './chapters.ts';
import * as exports from './export/askExport.ts';
import { findPhraseBook, putPhraseBook } from './repository.ts';
import * as questions from './questions.ts';
import * as reading from './reading.ts';
import * as service from './service.ts';

export const getCritiqueDraft =
  (house: House) =>
  ({ params }: Call<typeof contract.getCritiqueDraft>) =>
    service.getCritiqueDraft(house, params.requestId);

export const draftCritique =
  (house: House) =>
  ({ params }: Call<typeof contract.draftCritique>) =>
    service.draftCritique(house, params.requestId);

export const saveCritiqueDraft =
  (house: House) =>
  ({ params, body }: Call<typeof contract.saveCritiqueDraft>) =>
    service.saveCritiqueDraft(house, params.requestId, body);

export const sendCritique =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.sendCritique>) =>
    service.sendCritique(house, account, params.requestId, body);

export const takeBackCritique =
  (house: House) =>
  async ({ account, params }: Call<typeof contract.takeBackCritique>) => {
    await service.takeBackCritique(house, account, params.critiqueId);
    return { done: true } as const;
  };

export const getCritique =
  (house: House) =>
  ({ account, params }: Call<typeof contract.getCritique>) =>
    reading.getCritique(house, account, params.critiqueId);

export const getCritiqueVersion =
  (house: House) =>
  ({ account, params }: Call<typeof contract.getCritiqueVersion>) =>
    reading.getCritique(house, account, params.critiqueId, params.version);

export const openShortLink =
  (house: House) =>
  ({ account, params }: Call<typeof contract.openShortLink>) =>
    reading.openShortLink(house, account, params.code);

export const getMomentStill =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.getMomentStill>) => {
    const key = await reading.getMomentStill(house, account, params.critiqueId, params.version, params.noteId);
    await sendObject(req, res, house.storage, key, 'image/png');
  };

export const streamCritiqueClip =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.streamCritiqueClip>) => {
    const key = await reading.streamCritiqueClip(house, account, params.critiqueId, params.clipId);
    await sendObject(req, res, house.storage, key, 'video/mp4');
  };

export const markCritiqueRead =
  (house: House) =>
  ({ account, params }: Call<typeof contract.markCritiqueRead>) =>
    reading.markCritiqueRead(house, account, params.critiqueId);

export const markUnderstood =
  (house: House) =>
  async ({ account, params, body }: Call<typeof contract.markUnderstood>) => {
    await reading.markUnderstood(house, account, params.critiqueId, params.fixId, body.understood);
    return { done: true } as const;
  };

export const askQuestion =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.askQuestion>) =>
    questions.askQuestion(house, account, params.critiqueId, body);

export const answerQuestion =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.answerQuestion>) =>
    questions.answerQuestion(house, account, params.questionId, body.words);

export const listOpenQuestions = (house: House) => () => questions.listOpenQuestions(house);

export const getPhraseBook = (house: House) => () => findPhraseBook(house);

export const savePhraseBook =
  (house: House) =>
  async ({ body }: Call<typeof contract.savePhraseBook>) => {
    await putPhraseBook(house, body);
    return body;
  };

export const askExport =
  (house: House) =>
  ({ account, params, body }: Call<typeof contract.askExport>) =>
    exports.askExport(house, account, params.critiqueId, body.as);

export const getExport =
  (house: House) =>
  ({ account, params }: Call<typeof contract.getExport>) =>
    exports.getExport(house, account, params.critiqueId, params.exportId);

export const takeExport =
  (house: House) =>
  async ({ account, params, req, res }: Call<typeof contract.takeExport>) => {
    const { key, name, type } = await exports.takeExport(house, account, params.critiqueId, params.exportId);
    res.attachment(name);
    await sendObject(req, res, house.storage, key, type);
  };

export const getChapters =
  (house: House) =>
  async ({ account, params, res }: Call<typeof contract.getChapters>) => {
    res.type('text/vtt').send(await chaptersOf(house, account, params.critiqueId, params.footageId));
  };
