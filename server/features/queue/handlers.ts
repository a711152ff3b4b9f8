import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import * as service from './service.ts';

export const getToday = (house: House) => (_: Call<typeof contract.getToday>) => service.getToday(house);
