import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const bookRoutes = (house: House) => [
  route(contract.listClips, handlers.listClips(house)),
  route(contract.addClip, handlers.addClip(house)),
  route(contract.saveClipVideo, handlers.saveClipVideo(house)),
  route(contract.renameClip, handlers.renameClip(house)),
  route(contract.removeClip, handlers.removeClip(house)),
  route(contract.streamClip, handlers.streamClip(house)),
  route(contract.getClipPoster, handlers.getClipPoster(house)),
  route(contract.getBook, handlers.getBook(house)),
  route(contract.saveBookPrinciple, handlers.saveBookPrinciple(house)),
  route(contract.removeBookPrinciple, handlers.removeBookPrinciple(house)),
  route(contract.mergeBookPrinciples, handlers.mergeBookPrinciples(house)),
  route(contract.saveBookDrill, handlers.saveBookDrill(house)),
  route(contract.removeBookDrill, handlers.removeBookDrill(house)),
  route(contract.importBook, handlers.importBook(house)),
  route(contract.addStarterBook, handlers.addStarterBook(house)),
];
