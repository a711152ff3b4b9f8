export { BoutRibbon } from './BoutRibbon.tsx';
export type { Watched } from './Playhead.tsx';
export { RoundSheet } from './RoundSheet.tsx';
export type { SheetNote } from './SheetNotes.tsx';
export type { SheetMotionData } from './SheetMotion.tsx';
export type { SheetInstant } from './SheetScore.tsx';
