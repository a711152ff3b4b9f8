import letters from './letters.json' with { type: 'json' };

/** Each letter's width and outline (absolute M, L, Q, C, Z; y down from the baseline), 1000 units an em. Written by `npm run lettering`. */
const outlines = letters as unknown as Readonly<Record<string, readonly [width: number, path: string]>>;
const unitsPerEm = 1000;
/** A letter that has no outline here is shown as an empty box of this width. */
const missing: readonly [number, string] = [560, 'M60 0L500 0L500-700L60-700ZM120-60L120-640L440-640L440-60Z'];

/** Words as SVG path data at a size in pixels an em, the baseline's left end at 0, 0, and how wide they are. */
export function lettersPath(words: string, size: number): { path: string; width: number } {
  const scale = size / unitsPerEm;
  let path = '';
  let at = 0;
  for (const letter of words.normalize('NFC')) {
    const [width, outline] = outlines[letter] ?? missing;
    path += placed(outline, at, scale);
    at += width;
  }
  return { path, width: at * scale };
}

/** An outline moved right by `dx` units and scaled. Numbers come in pairs, x before y. */
function placed(outline: string, dx: number, scale: number): string {
  let isX = true;
  return outline.replace(/([MLQCZ ])?(-?\d+(?:\.\d+)?)/g, (_, lead: string | undefined, digits: string) => {
    const value = Math.round((Number(digits) + (isX ? dx : 0)) * scale * 100) / 100;
    isX = !isX;
    return `${lead ?? (value < 0 ? '' : ' ')}${value}`;
  });
}
