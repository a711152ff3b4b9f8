import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const deskRoutes = (house: House) => [
  route(contract.openDesk, handlers.openDesk(house)),
  route(contract.saveDeskChanges, handlers.saveDeskChanges(house)),
  route(contract.getClientNotes, handlers.getClientNotes(house)),
  route(contract.getDeskStillPng, handlers.getDeskStillPng(house)),
  route(contract.getDeskStillSvg, handlers.getDeskStillSvg(house)),
  route(contract.saveMemoSound, handlers.saveMemoSound(house)),
  route(contract.getMemoSound, handlers.getMemoSound(house)),
  route(contract.exportNotes, handlers.exportNotes(house)),
  route(contract.importNotes, handlers.importNotes(house)),
];
