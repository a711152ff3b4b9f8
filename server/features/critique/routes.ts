import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';
import * as links from './links/handlers.ts';

export const critiqueRoutes = (house: House) => [
  route(contract.getCritiqueDraft, handlers.getCritiqueDraft(house)),
  route(contract.draftCritique, handlers.draftCritique(house)),
  route(contract.saveCritiqueDraft, handlers.saveCritiqueDraft(house)),
  route(contract.sendCritique, handlers.sendCritique(house)),
  route(contract.takeBackCritique, handlers.takeBackCritique(house)),
  route(contract.getCritique, handlers.getCritique(house)),
  route(contract.getCritiqueVersion, handlers.getCritiqueVersion(house)),
  route(contract.openShortLink, handlers.openShortLink(house)),
  route(contract.getMomentStill, handlers.getMomentStill(house)),
  route(contract.streamCritiqueClip, handlers.streamCritiqueClip(house)),
  route(contract.markCritiqueRead, handlers.markCritiqueRead(house)),
  route(contract.markUnderstood, handlers.markUnderstood(house)),
  route(contract.askQuestion, handlers.askQuestion(house)),
  route(contract.answerQuestion, handlers.answerQuestion(house)),
  route(contract.listOpenQuestions, handlers.listOpenQuestions(house)),
  route(contract.getPhraseBook, handlers.getPhraseBook(house)),
  route(contract.savePhraseBook, handlers.savePhraseBook(house)),
  route(contract.askExport, handlers.askExport(house)),
  route(contract.getExport, handlers.getExport(house)),
  route(contract.takeExport, handlers.takeExport(house)),
  route(contract.getChapters, handlers.getChapters(house)),
  route(contract.listReadLinks, links.listReadLinks(house)),
  route(contract.makeReadLink, links.makeReadLink(house)),
  route(contract.endReadLink, links.endReadLink(house)),
  route(contract.getSharedCritique, links.getSharedCritique(house)),
  route(contract.getSharedStill, links.getSharedStill(house)),
  route(contract.getSharedClip, links.getSharedClip(house)),
  route(contract.getSharedCoachClip, links.getSharedCoachClip(house)),
];
