export { useSetLettersByMutation, useStopLettersMutation } from './api.ts';
export { OwnLettersLink } from './OwnLettersLink.tsx';
export { OwnLettersChoice } from './OwnLettersChoice.tsx';
