import { frameAtSeconds } from '@lean-mentor/core/footage';
import { beforeEach, describe, expect, it } from 'vitest';
import { FramePlayer } from './framePlayer.ts';
import { FakeVideo, table, times } from '../../testing/fakeVideo.ts';

let video: FakeVideo;
let player: FramePlayer;
const settled = async (): Promise<void> => {
  for (let i = 0; i < 200 && !player.snapshot().settled; i++) await new Promise((resolve) => setTimeout(resolve, 5));
};
beforeEach(async () => {
  video = new FakeVideo();
  player = new FramePlayer(video as unknown as HTMLVideoElement, table);
  player.start();
  await settled();
});

describe('stepping', () => {
  it('begins on the first frame', () => {
    expect(player.snapshot()).toMatchObject({ frame: 0, settled: true, playing: false });
  });

  it('seeks to the middle of the frame, never to its edge', async () => {
    player.goTo(41);
    await settled();
    expect(video.seeks.at(-1)).toBeCloseTo((times[41]! + times[42]!) / 2, 9);
    expect(player.snapshot()).toMatchObject({ frame: 41, settled: true });
  });

  it('goes to the nearest frame there is', async () => {
    player.goTo(-5);
    player.step(10_000);
    await settled();
    expect(player.snapshot().frame).toBe(299);
  });

  it('gathers the steps of a held key: the last one is reached without showing all between', async () => {
    video.seeks = [];
    for (let i = 0; i < 25; i++) player.step(1);
    expect(player.snapshot()).toMatchObject({ frame: 25, settled: false });
    await settled();
    expect(player.snapshot().frame).toBe(25);
    expect(video.seeks.length).toBeLessThan(5);
  });

  it('is not done until the browser shows that frame', async () => {
    player.goTo(100);
    expect(player.snapshot().settled).toBe(false);
    await settled();
    expect(player.snapshot().settled).toBe(true);
  });

  it('settles when the same picture is asked for again and none is announced', async () => {
    video.requestVideoFrameCallback = () => 0;
    player.goTo(7);
    await settled();
    expect(player.snapshot()).toMatchObject({ frame: 7, settled: true });
  });
});

describe('playing', () => {
  it('follows the pictures that the browser paints', async () => {
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(video.paused).toBe(false);
    video.show(times[12]!);
    expect(player.snapshot()).toMatchObject({ frame: 12, playing: true });
    // The browser's clock may be a hair early.
    video.show(times[13]! - 0.0001);
    expect(player.snapshot().frame).toBe(13);
  });

  it('stops on the frame that was painted last, and sets the picture right', async () => {
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 10));
    video.show(times[50]!);
    player.pause();
    await settled();
    expect(player.snapshot()).toMatchObject({ frame: 50, playing: false, settled: true });
    expect(frameAtSeconds(table, video.seeks.at(-1)!)).toBe(50);
  });

  it('begins again at the start after the end', async () => {
    player.goTo(299);
    await settled();
    player.play();
    expect(player.snapshot().frame).toBe(0);
  });

  it('climbs the ladder of speeds and stays on it', () => {
    for (let i = 0; i < 10; i++) player.changeSpeed(1);
    expect(player.snapshot().speed).toBe(2);
    for (let i = 0; i < 10; i++) player.changeSpeed(-1);
    expect(player.snapshot().speed).toBe(0.1);
    expect(video.playbackRate).toBe(0.1);
  });
});

describe('passing over lulls', () => {
  const lull = { fromFrame: 60, toFrame: 200 };
  const playTo = async (frame: number): Promise<void> => {
    player.play();
    await new Promise((resolve) => setTimeout(resolve, 10));
    video.seeks = [];
    video.show(times[frame]!);
  };
  beforeEach(() => player.setLulls([lull]));

  it('jumps to shortly before the end of the lull that is being played', async () => {
    player.toggleLulls();
    await playTo(80);
    expect(video.seeks).toHaveLength(1);
    const left = times[lull.toFrame]! - video.seeks[0]!;
    expect(left).toBeGreaterThan(0.2);
    expect(left).toBeLessThan(0.8);
  });

  it('lets the first moments of a lull and everything else play', async () => {
    player.toggleLulls();
    await playTo(62);
    expect(video.seeks).toEqual([]);
    await playTo(40);
    expect(video.seeks).toEqual([]);
  });

  it('is off until it is asked for', async () => {
    await playTo(80);
    expect(video.seeks).toEqual([]);
  });
});

describe('running it back', () => {
  it('plays from 3 s earlier at half speed, and from 3 s earlier still when asked again', async () => {
    const at = frameAtSeconds(table, 10);
    player.goTo(at);
    await settled();
    player.runBack();
    const first = times[player.snapshot().frame]!;
    expect(first).toBeLessThanOrEqual(times[at]! - 3);
    expect(first).toBeGreaterThan(times[at]! - 3.3);
    expect(player.snapshot()).toMatchObject({ playing: true, speed: 0.5 });
    player.runBack();
    expect(times[at]! - times[player.snapshot().frame]!).toBeGreaterThan(5.9);
  });

  it('goes no further than the start', async () => {
    player.goTo(20);
    await settled();
    player.runBack();
    expect(player.snapshot().frame).toBe(0);
  });
});
