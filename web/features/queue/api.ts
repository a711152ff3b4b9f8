import * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';

const queueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getToday: build.query<ResponseOf<typeof contract.getToday>, void>({ query: () => call(contract.getToday), providesTags: ['Request'] }),
  }),
});

export const { useGetTodayQuery } = queueApi;
