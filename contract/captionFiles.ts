import { heardCaptions, type Take } from '@lean-mentor/core/takes';
import { cueText, vttTime } from './chaptersVtt.ts';

type Captioned = Pick<Take, 'captions' | 'cuts' | 'seconds'>;

/** The captions of a take as it is heard, as WebVTT (W3C). */
export const captionsVtt = (take: Captioned): string =>
  `WEBVTT\n${heardCaptions(take)
    .map(({ from, to, words }) => `\n${vttTime(from)} --> ${vttTime(Math.max(to, from + 0.001))}\n${cueText(words)}\n`)
    .join('')}`;

/** The same as SubRip, which many players read: no header, numbers from 1, a comma before the thousandths; nothing in it is markup. */
export const captionsSrt = (take: Captioned): string =>
  heardCaptions(take)
    .map(({ from, to, words }, i) => {
      const [begins, ends] = [from, Math.max(to, from + 0.001)].map((seconds) => vttTime(seconds).replace('.', ','));
      return `${i + 1}\n${begins} --> ${ends}\n${words.replace(/\s+/gu, ' ').replaceAll('-->', '→').replaceAll('<', '‹').replaceAll('>', '›').trim()}\n`;
    })
    .join('\n');
