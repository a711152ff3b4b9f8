import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const lettersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listLetters: queryOf(build, contract.listLetters),
    sendLetterAgain: mutationOf(build, contract.sendLetterAgain),
  }),
});

export const { useListLettersQuery, useSendLetterAgainMutation } = lettersApi;
