export { makeFilm } from './makeFilm.ts';
export { changeMaking } from './repository.ts';
export { removeOldFilms } from './service.ts';
