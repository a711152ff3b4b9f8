import * as contract from '@lean-mentor/contract';
import { baseApi, queryOf } from '../../shared/wire/index.ts';

const lettersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listLetters: queryOf(build, contract.listLetters),
  }),
});

export const { useListLettersQuery } = lettersApi;
