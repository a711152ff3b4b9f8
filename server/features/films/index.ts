export { makeFilm } from './makeFilm.ts';
export { changeMaking } from './repository.ts';
export { filmToTakeAlong } from './shared.ts';
export { removeOldFilms } from './service.ts';
