import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const lettersApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listLetters: build.query<ResponseOf<typeof contract.listLetters>, void>({
      query: () => call(contract.listLetters),
      providesTags: ['Letter'],
    }),
  }),
});

export const { useListLettersQuery } = lettersApi;
