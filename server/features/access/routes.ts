import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const accessRoutes = (house: House) => [
  route(contract.getSession, handlers.getSession()),
  route(contract.signIn, handlers.signIn(house)),
  route(contract.signOut, handlers.signOut()),
];
