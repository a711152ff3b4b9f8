export { BoutRibbon } from './BoutRibbon.tsx';

export { RoundSheet, type SheetNote } from './RoundSheet.tsx';
