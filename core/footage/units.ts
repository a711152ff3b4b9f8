/**
 * Numbers that say what they count, so that a frame and a time never take each other's place: the compiler refuses one where the other is
 * asked for. A plain number is taken as either, and what is reckoned from them is a plain number again.
 */
/** A frame of a footage, from 0. */
export type FrameIndex = number & { readonly counts?: 'frames' };
/** Seconds of a footage, from its beginning. */
export type Seconds = number & { readonly counts?: 'seconds of the footage' };
/** Seconds since a bout's start on the footage clock, stoppages not taken out. */
export type BoutSeconds = number & { readonly counts?: 'seconds since the bout’s start' };
/** Seconds that the bout clock has run: stoppages taken out. */
export type ClockSeconds = number & { readonly counts?: 'seconds of the bout clock' };
