import { mostPieceBytes, takeFormat } from '@lean-mentor/contract';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { readTakeZip, takePieces, type BroughtTake } from './bringTake.ts';

const times = [0, 0.04, 0.08, 0.12];
const table = { times, endSeconds: 0.16 };
const stage = { t: 0, kind: 'stage', frame: 1 };
const file = (fields: object = {}) => ({
  ...{ format: takeFormat, seconds: 10, voice: { file: 'voice.flac' }, frameTimes: times, endSeconds: 0.16 },
  ...{ events: [stage, { t: 4, kind: 'show', frame: 3 }], captions: [{ from: 1, to: 2, words: 'Look.', origin: 'typed' }] },
  ...fields,
});
const zipped = (json: unknown, files: Record<string, Uint8Array> = { 'voice.flac': new Uint8Array(10) }) =>
  zipSync({ 'take.json': strToU8(typeof json === 'string' ? json : JSON.stringify(json)), ...files });
const faults = (bytes: Uint8Array, of = table) => (readTakeZip(bytes, of) as { faults: string[] }).faults;

describe('a take out of a file', () => {
  it('comes with its voice, what was done, and what was mended of it', () => {
    expect(readTakeZip(zipped(file()), table)).toMatchObject({
      type: 'audio/flac',
      events: [
        { t: 0, kind: 'stage', frame: 1 },
        { t: 4, kind: 'show', frame: 3 },
      ],
      captions: [{ from: 1, to: 2 }],
    });
  });

  it('whose voice lies later than its times say is moved by as much', () => {
    const read = readTakeZip(zipped(file({ voice: { file: 'voice.flac', offsetSeconds: 0.5 } })), table) as BroughtTake;
    expect([read.events.map(({ t }) => t), read.captions[0]]).toEqual([[0, 4.5], expect.objectContaining({ from: 1.5, to: 2.5 })]);
  });

  it('is not taken where something is wrong with it, and it is said what', () => {
    expect(faults(strToU8('no zip'))).toEqual(['It is no whole ZIP.']);
    expect(faults(zipSync({ a: new Uint8Array(1) }))).toEqual(['There is no take.json in it.']);
    expect(faults(zipped('{'))).toEqual(['Its take.json is not whole JSON.']);
    expect(faults(zipped(file({ events: [] })))[0]).toContain('events');
    expect(faults(zipped(file(), {}))).toEqual(['Its voice, voice.flac, is not in it.']);
    expect(faults(zipped(file({ voice: { file: 'voice.wav' } }), { 'voice.wav': new Uint8Array(1) }))[0]).toContain('none of flac');
    expect(faults(zipped(file()), { times: times.slice(1), endSeconds: 0.16 })).toEqual([
      'It was spoken over other footage: that has 4 frames, this one 3.',
    ]);
    expect(faults(zipped(file()), { times: [0, 0.04, 0.09, 0.12], endSeconds: 0.16 })[0]).toContain('frame 2 lies elsewhere');
    const untimed = file({ frameTimes: undefined, endSeconds: undefined, events: [{ ...stage, frame: 9 }] });
    expect(faults(zipped(untimed))).toEqual(['It shows frame 9, and this footage has 4 frames.']);
  });

  it('goes out in pieces of what one may hold, in order, none of its events left out', async () => {
    const voice = Uint8Array.from({ length: 2.5 * mostPieceBytes }, (_, i) => i % 251);
    const events = Array.from({ length: 9000 }, (_, i) => ({ t: i / 1000, kind: 'show', frame: i % 4 }) as const);
    const pieces = takePieces({ voice, type: 'audio/flac', events, cuts: [], captions: [], chapters: [] });
    expect(pieces.flatMap((piece) => piece.events)).toEqual(events);
    for (const piece of pieces) {
      expect(piece.voice.size).toBeLessThanOrEqual(mostPieceBytes);
      expect(piece.events.length).toBeLessThanOrEqual(4000);
    }
    const joined = await new Blob(pieces.map((piece) => piece.voice)).bytes();
    expect(Buffer.from(joined).equals(Buffer.from(voice))).toBe(true);
  });
});
