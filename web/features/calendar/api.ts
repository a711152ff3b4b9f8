import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const calendarApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    getCalendarLink: queryOf(build, contract.getCalendarLink),
    makeCalendarLink: mutationOf(build, contract.makeCalendarLink),
    endCalendarLink: mutationOf(build, contract.endCalendarLink),
  }),
});

export const { useGetCalendarLinkQuery, useMakeCalendarLinkMutation, useEndCalendarLinkMutation } = calendarApi;
