import * as contract from '@lean-mentor/contract';
import { baseApi, queryOf } from '../../shared/wire/index.ts';

const queueApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getToday: queryOf(build, contract.getToday),
  }),
});

export const { useGetTodayQuery } = queueApi;
