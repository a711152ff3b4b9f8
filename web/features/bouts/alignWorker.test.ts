import { describe, expect, it } from 'vitest';
import { alignCameras, type Camera } from './alignWorker.ts';

function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
const random = seeded(4);
const claps = Array.from({ length: 80 }, () => random() * 100);
const steps = Array.from({ length: 100 }, () => random());

/** A camera that runs from second `from` for 40 s; it hears claps unless it is deaf. */
function camera(from: number, deaf = false): Camera {
  const times = Array.from({ length: 1200 }, (_, i) => i / 30);
  return {
    table: { times, endSeconds: 40 },
    level: times.map((t) => steps[Math.floor(from + t) % steps.length]! ** 2),
    sound: {
      rate: 100,
      peaks: [],
      onsets: deaf ? [] : Array.from({ length: 4000 }, (_, i) => (claps.some((at) => Math.abs(at - from - i / 100) < 0.01) ? 20 : 0)),
    },
  };
}

describe('two cameras', () => {
  it('are laid beside one another by sound where both heard the same', () => {
    const { found, by } = alignCameras(camera(10), camera(17.5));
    expect([by, Math.abs(found!.offsetSeconds - 7.5) < 0.02]).toEqual(['sound', true]);
  });

  it('are laid beside one another by movement where one is deaf', () => {
    const { found, by } = alignCameras(camera(10), camera(17.5, true));
    expect([by, Math.abs(found!.offsetSeconds - 7.5) < 0.05]).toEqual(['motion', true]);
  });
});
