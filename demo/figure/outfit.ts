/** Linear RGB in 0..1 before lighting. */
export type Colour = readonly [number, number, number];

/** What an athlete wears. The two of a clip must differ in kind of clothing, not only in hue. */
export interface Outfit {
  kind: 'jacket' | 'rash-guard';
  top: Colour;
  stripe: Colour;
  /** Leggings or trousers; null for shorts over bare legs. */
  legs: Colour | null;
  shorts: Colour;
  belt: Colour | null;
  skin: Colour;
  hair: Colour;
  hairStyle: 'short' | 'bun' | 'cropped';
  beard: boolean;
  /** The words a client would use ("violet top, bare legs"). */
  words: string;
}

const rgb = (hex: string): Colour => {
  const n = parseInt(hex.slice(1), 16);
  return [(n >> 16) / 255, ((n >> 8) & 255) / 255, (n & 255) / 255];
};

export const outfit = (
  o: Omit<Outfit, 'top' | 'stripe' | 'legs' | 'shorts' | 'belt' | 'skin' | 'hair'> & {
    top: string;
    stripe: string;
    legs: string | null;
    shorts: string;
    belt: string | null;
    skin: string;
    hair: string;
  },
): Outfit => ({
  ...o,
  top: rgb(o.top),
  stripe: rgb(o.stripe),
  legs: o.legs ? rgb(o.legs) : null,
  shorts: rgb(o.shorts),
  belt: o.belt ? rgb(o.belt) : null,
  skin: rgb(o.skin),
  hair: rgb(o.hair),
});
