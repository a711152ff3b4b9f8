export const topPostures = ['standing', 'knees'] as const;
export const bottomPostures = ['flat', 'side', 'seated'] as const;
type Side = 'client' | 'partner';

/** How the two are in a position, as far as it matters and somebody said it. */
export interface Posture {
  /** The one on top. */
  top?: (typeof topPostures)[number];
  /** The one below. */
  bottom?: (typeof bottomPostures)[number];
  /** Whose hands are inside. */
  inside?: Side;
  /** Whose hand is on the other’s head. */
  head?: Side;
}

const topWords = { standing: 'on the feet', knees: 'on the knees' } as const;
const bottomWords = { flat: 'flat', side: 'on the side', seated: 'seated' } as const;
export const topPostureWords = (top: (typeof topPostures)[number]): string => topWords[top];
export const bottomPostureWords = (bottom: (typeof bottomPostures)[number]): string => bottomWords[bottom];

/** A posture in a few words: "on the knees; flat below; inside hands: Ilse". */
export function postureText({ top, bottom, inside, head }: Posture, names: Readonly<Record<Side, string>>): string {
  return [
    ...(top ? [`top ${topWords[top]}`] : []),
    ...(bottom ? [`below ${bottomWords[bottom]}`] : []),
    ...(inside ? [`inside hands: ${names[inside].toLowerCase()}`] : []),
    ...(head ? [`hand on the head: ${names[head].toLowerCase()}`] : []),
  ].join(', ');
}
