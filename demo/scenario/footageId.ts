import { stableId } from './stableId.ts';

/** The footage that a clip becomes. */
export const footageId = (clip: string): string => stableId(`footage ${clip}`);
