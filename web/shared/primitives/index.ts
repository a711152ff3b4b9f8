export { Button } from './Button.tsx';
export { Choice } from './Choice.tsx';
export { FacePlate } from './FacePlate.tsx';
export { Field, inputClass } from './Field.tsx';
export { Empty, FaultNote, RowsSkeleton } from './states.tsx';
export { Wordmark } from './Wordmark.tsx';
export { IconButton } from './IconButton.tsx';
export { KindGlyph, kindWords } from './KindGlyph.tsx';
export { useSize } from './useSize.ts';
