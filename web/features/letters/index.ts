export { LettersPage } from './LettersPage.tsx';
