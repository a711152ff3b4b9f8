export { BoutRibbon } from './BoutRibbon.tsx';
export { RibbonPatterns, ribbonPath } from './RibbonShape.tsx';
export { RoundSheet, type SheetNote } from './RoundSheet.tsx';
