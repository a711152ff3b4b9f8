import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const lettersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listLetters: queryOf(build, contract.listLetters),
    sendLetterAgain: mutationOf(build, contract.sendLetterAgain),
    getLetterWords: queryOf(build, contract.getLetterWords),
    setLetterWords: mutationOf(build, contract.setLetterWords),
    setLettersBy: mutationOf(build, contract.setLettersBy),
    listOwnLetters: queryOf(build, contract.listOwnLetters),
    readOwnLetters: mutationOf(build, contract.readOwnLetters),
    setOwnLetters: mutationOf(build, contract.setOwnLetters),
    stopLetters: mutationOf(build, contract.stopLetters),
  }),
});

export const {
  useListLettersQuery,
  useSendLetterAgainMutation,
  useGetLetterWordsQuery,
  useSetLetterWordsMutation,
  useSetLettersByMutation,
  useListOwnLettersQuery,
  useReadOwnLettersMutation,
  useSetOwnLettersMutation,
  useStopLettersMutation,
} = lettersApi;
