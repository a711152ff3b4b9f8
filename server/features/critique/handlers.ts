import type { rooms } from '@lean-mentor/contract';
import type { Handlers } from '../../http/serveRoom.ts';
import { sendObject } from '../../http/sendObject.ts';
import { getChapters as chaptersOf } from './chapters.ts';
import * as exports from './export/askExport.ts';
import { findPhraseBook, putPhraseBook } from './repository.ts';
import * as questions from './questions.ts';
import * as reading from './reading.ts';
import * as spoken from './spoken.ts';
import * as service from './service.ts';

export const critiqueHandlers: Handlers<typeof rooms.critique> = {
  getCritiqueDraft: (house, { params }) => service.getCritiqueDraft(house, params.requestId),

  getRunningOrder: (house, { params }) => service.getRunningOrder(house, params.requestId),

  draftCritique: (house, { params }) => service.draftCritique(house, params.requestId),

  saveCritiqueDraft: (house, { params, body }) => service.saveCritiqueDraft(house, params.requestId, body),

  sendCritique: (house, { account, params, body }) => service.sendCritique(house, account, params.requestId, body),

  takeBackCritique: async (house, { account, params }) => {
    await service.takeBackCritique(house, account, params.critiqueId);
    return { done: true } as const;
  },

  getCritique: (house, { account, params }) => reading.getCritique(house, account, params.critiqueId),

  getCritiqueVersion: (house, { account, params }) => reading.getCritique(house, account, params.critiqueId, params.version),

  openShortLink: (house, { account, params }) => reading.openShortLink(house, account, params.code),

  getMomentStill: async (house, { account, params, req, res }) => {
    const key = await reading.getMomentStill(house, account, params);
    await sendObject(req, res, house.storage, key, 'image/png');
  },

  streamCritiqueClip: async (house, { account, params, req, res }) => {
    const key = await reading.streamCritiqueClip(house, account, params.critiqueId, params.clipId);
    await sendObject(req, res, house.storage, key, 'video/mp4');
  },

  markCritiqueRead: (house, { account, params }) => reading.markCritiqueRead(house, account, params.critiqueId),

  chooseAtFork: (house, { account, params, body }) => reading.chooseAtFork(house, account, params.critiqueId, params.noteId, body.choice),

  markUnderstood: async (house, { account, params, body }) => {
    await reading.markUnderstood(house, account, params.critiqueId, params.fixId, body.understood);
    return { done: true } as const;
  },

  askQuestion: (house, { account, params, body }) => questions.askQuestion(house, account, params.critiqueId, body),

  answerQuestion: (house, { account, params, body }) => questions.answerQuestion(house, account, params.questionId, body),

  getAnswerTake: (house, { account, params }) => questions.getAnswerTake(house, account, params.questionId),

  streamAnswerVoice: async (house, { account, params, req, res }) => {
    await sendObject(req, res, house.storage, await questions.answerVoice(house, account, params.questionId), 'audio/mp4');
  },

  listOpenQuestions: (house) => questions.listOpenQuestions(house),

  getPhraseBook: (house) => findPhraseBook(house),

  savePhraseBook: async (house, { body }) => {
    await putPhraseBook(house, body);
    return body;
  },

  askExport: (house, { account, params, body }) => exports.askExport(house, account, params.critiqueId, body.as),

  getExport: (house, { account, params }) => exports.getExport(house, account, params.critiqueId, params.exportId),

  takeExport: async (house, { account, params, req, res }) => {
    const { key, name, type } = await exports.takeExport(house, account, params.critiqueId, params.exportId);
    res.attachment(name);
    await sendObject(req, res, house.storage, key, type);
  },

  getSentTake: (house, { account, params }) => spoken.getSentTake(house, account, params),

  streamSentVoice: async (house, { account, params, req, res }) => {
    const key = await spoken.sentVoice(house, account, params);
    await sendObject(req, res, house.storage, key, 'audio/mp4');
  },

  saveHeard: async (house, { account, params, body }) => {
    await spoken.saveHeard(house, account, params, body);
    return { done: true } as const;
  },

  getChapters: async (house, { account, params, res }) => {
    res.type('text/vtt').send(await chaptersOf(house, account, params.critiqueId, params.footageId));
  },
};
