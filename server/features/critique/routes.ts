import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const critiqueRoutes = (house: House) => [
  route(contract.getCritiqueDraft, handlers.getCritiqueDraft(house)),
  route(contract.saveCritiqueDraft, handlers.saveCritiqueDraft(house)),
  route(contract.sendCritique, handlers.sendCritique(house)),
  route(contract.getCritique, handlers.getCritique(house)),
  route(contract.getCritiqueStill, handlers.getCritiqueStill(house)),
  route(contract.markCritiqueRead, handlers.markCritiqueRead(house)),
];
