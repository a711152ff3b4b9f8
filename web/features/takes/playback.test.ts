import type { Take, TakeEvent } from '@lean-mentor/core/takes';
import { beforeEach, describe, expect, it } from 'vitest';
import { Playback, type Sound } from './playback.ts';

const table = { times: Array.from({ length: 300 }, (_, i) => i / 30), endSeconds: 10 };
const begin: TakeEvent = {
  ...{ t: 0, kind: 'stage', frame: 0, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false, strokes: [], drawings: [], note: null },
};
const take = (fields: Partial<Take> = {}): Take => ({
  ...{ seconds: 20, captions: [], chapters: [], cuts: [] },
  events: [begin, { t: 1, kind: 'run', frame: 0, rate: 1 }, { t: 6, kind: 'stop', frame: 150 }],
  ...fields,
});

/** A sound whose clock moves in steps, as audio elements' clocks do. */
class FakeSound implements Sound {
  paused = true;
  playbackRate = 1;
  exact = 0;
  play(): Promise<void> {
    this.paused = false;
    return Promise.resolve();
  }
  pause(): void {
    this.paused = true;
  }
  get currentTime(): number {
    return this.paused ? this.exact : Math.floor(this.exact / 0.02) * 0.02;
  }
  set currentTime(to: number) {
    this.exact = to;
  }
}

let sound: FakeSound;
let shown: { frame: number; at: number }[];
let orders: number[][];
const play = (of: Take, lead = 0): Playback =>
  new Playback({
    ...{ take: of, table, sound, lead },
    frames: { aimAlong: (order) => void orders.push([...order]) },
    show: ({ frame }, at) => void shown.push({ frame, at }),
  });
/** Lets it play for so long, at 60 pictures a second. */
function run(playback: Playback, seconds: number, from = 0): void {
  sound.paused = false;
  for (let i = 0; i <= seconds * 60; i++) {
    playback.tick((from + i / 60) * 1000);
    sound.exact += sound.playbackRate / 60;
  }
  sound.paused = true;
}

beforeEach(() => {
  sound = new FakeSound();
  [shown, orders] = [[], []];
});

describe('a take that is played', () => {
  it('shows every frame once and in order where the footage runs, though the sound’s clock moves in steps', () => {
    run(play(take()), 6.2);
    const frames = shown.map(({ frame }) => frame);
    expect(frames.filter((frame, i) => frame !== frames[i - 1])).toEqual(Array.from({ length: 151 }, (_, i) => i));
  });

  it('keeps within a picture of the sound at any speed', () => {
    const playback = play(take());
    playback.setSpeed(1.5);
    run(playback, 4);
    expect(Math.abs(playback.recorded - sound.exact)).toBeLessThan(0.04);
  });

  it('takes the sound’s word when that has jumped', () => {
    const playback = play(take());
    run(playback, 1);
    sound.exact = 9;
    run(playback, 0.1, 1);
    expect(Math.abs(playback.recorded - sound.exact)).toBeLessThan(0.04);
  });

  it('passes over what is cut out, and its time is that of what is heard', () => {
    const playback = play(take({ cuts: [{ from: 2, to: 5 }] }));
    run(playback, 3);
    expect(shown.every(({ at }) => at <= 2.05 || at >= 5)).toBe(true);
    expect(playback.seconds).toBe(17);
    expect(playback.heard).toBeCloseTo(3, 1);
    playback.seek(2.5);
    expect(playback.recorded).toBeCloseTo(5.5);
    expect(orders.flat().some((frame) => frame > 31 && frame < 119)).toBe(false);
  });

  it('plays a stretch over and over while it is written down, and stops when that is done', () => {
    const playback = play(take());
    playback.loop({ from: 2, to: 3 });
    run(playback, 2.5);
    expect(shown.slice(1).every(({ at }) => at >= 1.9 && at < 3.1)).toBe(true);
    expect(playback.recorded).toBeCloseTo(2.5, 0);
    sound.paused = false;
    playback.loop(null);
    expect(sound.paused).toBe(true);
    // The last words are heard again too: a sound that has come to its end would stand still.
    playback.loop({ from: 19, to: 20 });
    run(playback, 1.5, 10);
    expect(playback.recorded).toBeLessThan(19.9);
  });

  it('shows what will be seen when the picture reaches the screen', () => {
    const playback = play(take(), 1 / 60);
    playback.seek(2);
    expect(shown.at(-1)!.frame).toBe(30);
    run(playback, 0.1);
    expect(shown.at(-1)!.at - playback.recorded).toBeCloseTo(1 / 60);
  });

  it('stopped, is stepped picture by picture, within the footage; playing on goes on with the take', () => {
    const playback = play(take());
    playback.seek(3);
    playback.step(1);
    playback.step(1);
    expect(shown.at(-1)!.frame).toBe(62);
    expect(orders.at(-1)![0]).toBe(62);
    for (let i = 0; i < 100; i++) playback.step(-1);
    expect(shown.at(-1)!.frame).toBe(0);
    run(playback, 0.05);
    expect(shown.at(-1)!.frame).toBeGreaterThanOrEqual(60);
  });
});
