import { greyBytes, greyWidth } from '@lean-mentor/core/footage';
import { describe, expect, it } from 'vitest';
import { MotionReader } from './motionReader.ts';

const frames = 120;
const table = { times: Array.from({ length: frames }, (_, i) => i / 30), endSeconds: frames / 30 };

/** A square that stands still, then runs across, then stands still. */
const pictures = Uint8Array.from({ length: frames * greyBytes }, (_, i) => {
  const frame = Math.floor(i / greyBytes);
  const x = i % greyWidth;
  const at = Math.min(50, Math.max(10, frame - 40));
  return x >= at && x < at + 8 ? 220 : 60 + ((i % greyBytes) % 7);
});
/** A second of near silence, then a bell. */
const sound = Buffer.alloc(4 * 16_000 * 2);
for (let i = 0; i < 4 * 16_000; i++) {
  const since = i / 16_000 - 1;
  const ring = since >= 0 ? 9000 * Math.exp(-3 * since) * (Math.sin(2 * Math.PI * 880 * since) + Math.sin(2 * Math.PI * 1320 * since)) : 0;
  sound.writeInt16LE(Math.round(ring + 20 * Math.sin(i * 0.7)), i * 2);
}

/** Reads everything in pieces of these many bytes. */
function read(piece: number): ReturnType<MotionReader['finish']> {
  const reader = new MotionReader();
  for (let at = 0; at < pictures.length; at += piece) reader.takePictures(pictures.subarray(at, at + piece));
  for (let at = 0; at < sound.length; at += piece) reader.takeSound(sound.subarray(at, at + piece));
  return reader.finish(table, []);
}

describe('reading motion', () => {
  it('finds what moves and what rings', () => {
    const { motion } = read(pictures.length);
    expect(motion.level).toHaveLength(frames);
    expect(Math.max(...motion.level.slice(45, 75))).toBeGreaterThan(0.8);
    expect(Math.max(...motion.level.slice(0, 30))).toBeLessThan(0.1);
    expect(motion.bells).toHaveLength(1);
    expect(Math.abs(motion.bells[0]! - 1)).toBeLessThan(0.05);
  });

  it('reads the same whatever pieces it comes in', () => {
    const whole = read(pictures.length);
    for (const piece of [1, 1000, 4097, 65_536]) expect(read(piece)).toEqual(whole);
  });

  it('says something of every frame of the table, also where pictures are missing at the end', () => {
    const reader = new MotionReader();
    reader.takePictures(pictures.subarray(0, 100 * greyBytes));
    expect(reader.finish(table, []).motion.level).toHaveLength(frames);
  });
});
