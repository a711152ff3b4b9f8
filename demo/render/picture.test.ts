import { describe, expect, it } from 'vitest';
import { clipPlans } from '../scenario/clips.ts';
import { pictureHeight, pictureWidth } from './camera.ts';
import { ClipPainter } from './picture.ts';
import { sampleRate, soundOf } from './sound.ts';
import { groundTruthOf } from '../timeline/groundTruth.ts';

const plan = clipPlans[0]!;

describe('a painted frame', () => {
  it('is the same bytes again, in whatever order frames are asked for', async () => {
    const painter = await ClipPainter.of(plan);
    const first = painter.paint(600).slice();
    painter.paint(90);
    const other = await ClipPainter.of(plan);
    expect(Buffer.compare(first, other.paint(600))).toBe(0);
    expect(first).toHaveLength(pictureWidth * pictureHeight * 3);
  });

  it('shows both athletes, each in their own colours', async () => {
    const picture = (await ClipPainter.of(plan)).paint(150);
    const count = (isIt: (r: number, g: number, b: number) => boolean): number => {
      let hits = 0;
      for (let i = 0; i < picture.length; i += 3) if (isIt(picture[i]!, picture[i + 1]!, picture[i + 2]!)) hits++;
      return hits;
    };
    expect(count((r, g, b) => b > r * 1.4 && r > g)).toBeGreaterThan(2000);
    expect(count((r, g, b) => r > g * 1.4 && g > b * 1.6)).toBeGreaterThan(2000);
  });

  it('is dark, blurred or empty of athletes where the truth says so', async () => {
    const mean = (picture: Uint8Array): number => picture.reduce((sum, v) => sum + v, 0) / picture.length;
    const dim = await ClipPainter.of(clipPlans.find((p) => p.faults.some((f) => f.kind === 'dark'))!);
    expect(mean(dim.paint(25 * 30))).toBeLessThan(mean(dim.paint(15 * 30)) * 0.5);
  });
});

describe('the sound', () => {
  it('rings at each bell', () => {
    const truth = groundTruthOf(plan);
    const sound = soundOf(truth, plan.seed);
    const loudness = (at: number): number => {
      const part = sound.subarray(Math.round(at * sampleRate), Math.round((at + 0.2) * sampleRate));
      return Math.sqrt(part.reduce((sum, v) => sum + v * v, 0) / part.length);
    };
    for (const bell of truth.bells) expect(loudness(bell)).toBeGreaterThan(loudness(bell - 0.5) * 4);
  });
});
