import * as contract from '@lean-mentor/contract';
import { baseApi, mutationOf, queryOf } from '../../shared/wire/index.ts';

const filmsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    listTakeFilms: queryOf(build, contract.listTakeFilms),
    listSentFilms: queryOf(build, contract.listSentFilms),
    askTakeFilm: mutationOf(build, contract.askTakeFilm),
    askSentFilm: mutationOf(build, contract.askSentFilm),
    getSharedFilm: queryOf(build, contract.getSharedFilm),
    askSharedFilm: mutationOf(build, contract.askSharedFilm),
    stopFilm: mutationOf(build, contract.stopFilm),
  }),
});

export const {
  useListTakeFilmsQuery,
  useListSentFilmsQuery,
  useAskTakeFilmMutation,
  useAskSentFilmMutation,
  useGetSharedFilmQuery,
  useAskSharedFilmMutation,
  useStopFilmMutation,
} = filmsApi;
