export { SharedFilm } from './SharedFilm.tsx';
export { FilmBox } from './FilmBox.tsx';
