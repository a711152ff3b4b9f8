import type * as contract from '@lean-mentor/contract';
import type { House } from '../../house.ts';
import type { Call } from '../../http/route.ts';
import * as repository from './repository.ts';

export const listLetters = (house: House) => async (_: Call<typeof contract.listLetters>) => ({
  letters: await repository.listLetters(house),
});
