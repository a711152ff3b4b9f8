import type { FrameTable } from '@lean-mentor/core/footage';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { FakeVideo, table, times } from '../../testing/fakeVideo.ts';
import { FramePlayer } from './framePlayer.ts';
import type { DecodedPictures } from './playerState.ts';

/** The first frames of the fake video’s footage. */
const first = (frames: number): FrameTable => ({ times: times.slice(0, frames), endSeconds: times[frames]! });

/** A file of this many frames, all decoded. */
const pictures = (frames: number): DecodedPictures => ({
  show: (frame) => frame < frames,
  aim: () => undefined,
  whenThere: (frame) => Promise.resolve(frame < frames),
});

let video: FakeVideo;
let player: FramePlayer;
const now = () => player.snapshot();
beforeEach(() => {
  video = new FakeVideo();
  player = new FramePlayer(video as unknown as HTMLVideoElement, first(100));
  player.grow(first(100), false);
  player.takeDecoded(pictures(100));
  player.start();
});

/** Plays to the end of what is there, as the browser says it. */
async function playToTheEnd(): Promise<void> {
  player.goTo(97);
  player.play();
  await vi.waitFor(() => expect(video.paused).toBe(false));
  video.show(times[99]!);
  video.dispatchEvent(new Event('ended'));
}

describe('a footage of which more comes', () => {
  it('ends with its last frame for now, and goes on to those that have come', () => {
    player.goTo(250);
    expect(now()).toMatchObject({ frame: 99, settled: true });
    player.grow(first(150), false);
    player.takeDecoded(pictures(150));
    player.goTo(250);
    expect(now()).toMatchObject({ frame: 149, settled: true });
    player.grow(table, true);
    player.takeDecoded(pictures(300));
    player.goTo(250);
    expect(now()).toMatchObject({ frame: 250, settled: true });
  });

  it('keeps the frame on the stage, and never shows the video element in between', () => {
    player.goTo(41);
    const seen: unknown[] = [];
    player.subscribe(() => seen.push([now().frame, now().picture, now().settled]));
    player.grow(table, true);
    // The new file is opened: nothing of it is decoded yet.
    player.takeDecoded({ show: () => false, aim: () => undefined, whenThere: () => new Promise(() => undefined) });
    player.takeDecoded(pictures(300));
    expect(new Set(seen.map(String))).toEqual(new Set(['41,decoded,true']));
  });

  it('that played to the end of what is there waits, and plays on when more has come', async () => {
    await playToTheEnd();
    expect(now()).toMatchObject({ playing: false, waits: true, frame: 99 });
    player.grow(table, true);
    player.takeDecoded(pictures(300));
    expect(now()).toMatchObject({ playing: true, waits: false, frame: 99 });
  });

  it('does not begin anew when play is pressed on the last frame that is there', () => {
    player.goTo(99);
    player.toggle();
    expect(now()).toMatchObject({ playing: false, waits: true, frame: 99 });
    player.toggle();
    expect(now().waits).toBe(false);
    player.grow(table, true);
    expect(now().playing).toBe(false);
  });

  it('no longer plays on by itself once one has gone elsewhere', async () => {
    await playToTheEnd();
    player.goTo(12);
    player.grow(table, true);
    player.takeDecoded(pictures(300));
    expect(now()).toMatchObject({ playing: false, waits: false, frame: 12 });
  });

  it('that is whole ends as ever: play begins from its start', async () => {
    player.grow(first(100), true);
    await playToTheEnd();
    expect(now()).toMatchObject({ playing: false, waits: false, frame: 99 });
    player.play();
    expect(now()).toMatchObject({ playing: true, frame: 0 });
  });

  it('is sought in the longer file where a browser decodes no frames', async () => {
    player.takeDecoded(null);
    player.goTo(41);
    await vi.waitFor(() => expect(now()).toMatchObject({ frame: 41, settled: true }));
    video.seeks = [];
    player.grow(table, true);
    expect(now().settled).toBe(false);
    await vi.waitFor(() => expect(now()).toMatchObject({ frame: 41, settled: true }));
    expect(video.seeks.length).toBeGreaterThan(0);
  });
});
