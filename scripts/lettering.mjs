import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import opentype from 'opentype.js';
import { root } from './settings.mjs';

/**
 * `npm run lettering`: writes core/lettering/letters.json anew: the outlines of the letters that labels on drawings are written
 * in, so that stage, still and SVG show the same without any font. 1000 units an em; Hanken Grotesk, SIL Open Font License 1.1.
 */
const unitsPerEm = 1000;
const files = ['latin', 'latin-ext'].map((subset) =>
  createRequire(import.meta.url).resolve(`@fontsource/hanken-grotesk/files/hanken-grotesk-${subset}-600-normal.woff`),
);
const fonts = files.map((file) => {
  const bytes = readFileSync(file);
  return opentype.parse(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length));
});
/** Printable ASCII, Latin-1, Latin Extended-A, and the marks that coaches write. */
const wanted = [...Array.from({ length: 0x180 - 0x20 }, (_, i) => String.fromCodePoint(i + 0x20)), ...'–—‘’“”„…•→←↑↓×−°±'].filter(
  (character, i, all) => all.indexOf(character) === i,
);

const letters = {};
for (const character of wanted) {
  const font = fonts.find((candidate) => candidate.charToGlyphIndex(character) > 0);
  if (!font) continue;
  const glyph = font.charToGlyph(character);
  letters[character] = [Math.round((glyph.advanceWidth * unitsPerEm) / font.unitsPerEm), glyph.getPath(0, 0, unitsPerEm).toPathData(0)];
}
writeFileSync(join(root, 'core', 'lettering', 'letters.json'), `${JSON.stringify(letters)}\n`);
console.log(`${Object.keys(letters).length} letters`);
