import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { bramLines, lineGap } from '../scenario/bramTake.ts';

const seconds = JSON.parse(readFileSync(new URL('bram-take.json', import.meta.url), 'utf8')) as number[];

/** The made voice of the demo's take: its file, how long each line is, and each line with the second at which it begins. */
export const bramVoice = {
  file: fileURLToPath(new URL('bram-take.webm', import.meta.url)),
  seconds,
  lines: bramLines.map(({ say }, i) => ({ say, from: seconds.slice(0, i).reduce((sum, one) => sum + one + lineGap, 0) })),
};
