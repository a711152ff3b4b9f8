export { FilmBox } from './FilmBox.tsx';
