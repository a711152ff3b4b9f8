import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import {
  activityOf,
  BellFinder,
  cutsOf,
  frameFeatures,
  greyBytes,
  lostAction,
  proposeBouts,
  qualityAdvice,
  type FrameFeatures,
  type Stretch,
} from '@lean-mentor/core/footage';
import { beforeAll, describe, expect, it } from 'vitest';
import { clipPlans } from '../scenario/clips.ts';
import { groundTruthOf, timelineOf } from './groundTruth.ts';

/** Share of the frames of `wanted` that `found` has, and the other way about. */
function agreement(found: Stretch[], wanted: Stretch[], frames: number): { recall: number; precision: number } {
  const mask = (stretches: Stretch[]): Uint8Array => {
    const marked = new Uint8Array(frames);
    for (const { fromFrame, toFrame } of stretches) marked.fill(1, fromFrame, toFrame);
    return marked;
  };
  const [a, b] = [mask(found), mask(wanted)];
  const both = a.reduce((sum, v, i) => sum + (v & b[i]!), 0);
  const size = (m: Uint8Array): number => m.reduce((sum, v) => sum + v, 0);
  return { recall: both / size(b), precision: both / size(a) };
}

describe.each(clipPlans.map((plan) => [plan.name, plan] as const))('the motion of %s, judged by what is true of it', (name, plan) => {
  const truth = groundTruthOf(plan);
  const secondsAt = (frame: number): number => frame / plan.fps;
  const table = { times: Array.from({ length: truth.frameCount }, (_, i) => i / plan.fps), endSeconds: truth.seconds };
  const frameOf = (seconds: number): number => Math.round(seconds * plan.fps);
  const features: FrameFeatures[] = [];
  const finder = new BellFinder();

  beforeAll(() => {
    const clip = fileURLToPath(new URL(`../clips/${name}.mp4`, import.meta.url));
    const out = (...args: string[]): Buffer => execFileSync('ffmpeg', ['-v', 'error', '-i', clip, ...args, 'pipe:1'], { maxBuffer: 1e8 });
    const grey = out('-vf', 'scale=64:36:flags=area,format=gray', '-f', 'rawvideo');
    for (let at = 0; at < grey.length; at += greyBytes)
      features.push(frameFeatures(at === 0 ? null : grey.subarray(at - greyBytes, at), grey.subarray(at, at + greyBytes), features.at(-1)));
    const sound = out('-ac', '1', '-ar', '16000', '-f', 's16le');
    finder.add(Float32Array.from({ length: sound.length / 2 }, (_, i) => sound.readInt16LE(i * 2) / 32768));
  });

  it('has its bells found within a tenth of a second, and no other', () => {
    const bells = finder.bells();
    expect(bells).toHaveLength(truth.bells.length);
    bells.forEach((bell, i) => expect(Math.abs(bell - truth.bells[i]!)).toBeLessThan(0.1));
  });

  it('has its bout proposed within half a second at both ends', () => {
    const activity = activityOf(
      features.map((f) => f.motion),
      secondsAt,
    );
    const [bout, ...more] = proposeBouts(table, activity, finder.bells());
    expect(more).toEqual([]);
    expect(Math.abs(bout!.fromFrame - truth.bout.fromFrame)).toBeLessThan(plan.fps / 2);
    expect(Math.abs(bout!.toFrame - truth.bout.toFrame)).toBeLessThan(plan.fps / 2);
  });

  it('has its lulls found: where nobody changes position for a second and a half, recall and precision at least 0.8', () => {
    const held = timelineOf(plan).keys.filter(({ at, until }) => until - at >= 1.5);
    const wanted = held.map(({ at, until }) => ({ fromFrame: frameOf(at), toFrame: frameOf(until) }));
    const { lulls } = activityOf(
      features.map((f) => f.motion),
      secondsAt,
    );
    const { recall, precision } = agreement(lulls, wanted, truth.frameCount);
    expect(recall).toBeGreaterThanOrEqual(0.8);
    expect(precision).toBeGreaterThanOrEqual(0.8);
  });

  it('has a burst in each change of position that is thrown, and none while nobody moves', () => {
    const { bursts } = activityOf(
      features.map((f) => f.motion),
      secondsAt,
    );
    const held = timelineOf(plan).keys.filter(({ at, until }) => until - at >= 2);
    const shaken = truth.faults.map((f) => ({ from: frameOf(f.fromSeconds - 1), to: frameOf(f.toSeconds + 1) }));
    for (const { fromFrame, toFrame } of bursts) {
      const middle = (fromFrame + toFrame) / 2;
      if (shaken.some(({ from, to }) => middle >= from && middle <= to)) continue;
      const inside = held.some(({ at, until }) => middle > frameOf(at + 0.7) && middle < frameOf(until - 0.7));
      expect(inside, `a burst at ${(middle / plan.fps).toFixed(1)} s`).toBe(false);
    }
    expect(bursts.length).toBeGreaterThan(3);
  });

  it('has the stretches found in which the camera lost the action, recall and precision at least 0.8, and their side', () => {
    const lost = lostAction(features, secondsAt);
    const wanted = truth.faults
      .filter((f) => f.kind === 'lost')
      .map((f) => ({ fromFrame: frameOf(f.fromSeconds), toFrame: frameOf(f.toSeconds) }));
    expect(lost).toHaveLength(wanted.length);
    if (wanted.length === 0) return;
    const { recall, precision } = agreement(lost, wanted, truth.frameCount);
    expect(recall).toBeGreaterThanOrEqual(0.8);
    expect(precision).toBeGreaterThanOrEqual(0.8);
    expect(lost[0]!.edge).toBe('left');
  });

  it('is advised on in words: what, from when to when, and what to do', () => {
    const advice = qualityAdvice({ features, lost: lostAction(features, secondsAt), cuts: cutsOf(features), sharpness: [] }, secondsAt);
    expect(advice.map((a) => a.kind)).toEqual(truth.faults.filter((f) => f.kind === 'lost' || f.kind === 'dark').map((f) => f.kind));
    for (const { words } of advice) expect(words).toMatch(/ from \d:\d\d to \d:\d\d\. [A-Z].*\.$/);
  });
});
