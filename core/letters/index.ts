export { letterKinds, letterSorts, type LetterKind, type LetterSort, type LetterToWord, type LetterValues } from './kinds.ts';
export { fillTemplate, mostBody, mostSubject, samplesOf, templateFaults, type LetterTemplate } from './template.ts';
