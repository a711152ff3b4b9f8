import * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import { route } from '../../http/route.ts';
import * as handlers from './handlers.ts';

export const letterRoutes = (house: House) => [route(contract.listLetters, handlers.listLetters(house))];
