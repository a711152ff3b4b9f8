import type { Caption } from '@lean-mentor/core/takes';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import webvtt from 'webvtt-parser';
import { captionsSrt, captionsVtt } from './captionFiles.ts';

const folder = mkdtempSync(join(tmpdir(), 'lean-captions-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const caption = (from: number, to: number, words: string): Caption => ({ from, to, words, origin: 'typed' });
const take = {
  seconds: 4000,
  cuts: [{ from: 10, to: 12 }],
  captions: [
    caption(3601.5, 3603.25, 'Émile’s far knee,\nthen the hip.'),
    caption(1.0004, 3.5, 'If x < y --> “tap” & go on'),
    caption(10.5, 11, 'Gone.'),
  ],
};
const heard = [
  { startTime: 1, endTime: 3.5, text: 'If x < y → “tap” & go on' },
  { startTime: 3599.5, endTime: 3601.25, text: 'Émile’s far knee, then the hip.' },
];

describe('captions as files', () => {
  it('as WebVTT are read by a strict reader as they are heard: moved with the voice, and gone where something was cut out', () => {
    const { cues, errors } = new webvtt.WebVTTParser().parse(captionsVtt(take), 'metadata');
    expect(errors).toEqual([]);
    expect(
      cues.map(({ startTime, endTime, text }) => ({ startTime, endTime, text: text.replace('&lt;', '<').replace('&amp;', '&') })),
    ).toEqual(heard);
  });

  it('as SubRip are read by another program to the thousandth, and nothing in them is taken for markup', () => {
    const file = join(folder, 'take.srt');
    writeFileSync(file, captionsSrt(take));
    const read = execFileSync('ffmpeg', ['-v', 'error', '-i', file, '-f', 'srt', 'pipe:1'], { encoding: 'utf8' });
    expect(
      read
        .trim()
        .split(/\n\n/)
        .map((cue) => cue.split('\n').slice(1)),
    ).toEqual([
      ['00:00:01,000 --> 00:00:03,500', 'If x ‹ y → “tap” & go on'],
      ['00:59:59,500 --> 01:00:01,250', 'Émile’s far knee, then the hip.'],
    ]);
  });

  it('of a take without any are empty files that can be read', () => {
    expect(new webvtt.WebVTTParser().parse(captionsVtt({ ...take, captions: [] }), 'metadata')).toMatchObject({ errors: [], cues: [] });
    expect(captionsSrt({ ...take, captions: [] })).toBe('');
  });
});
