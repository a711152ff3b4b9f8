import { describe, expect, it } from 'vitest';
import { megabytes } from '../../shared/megabytes.ts';
import { uploadWords } from './uploadWords.ts';

const upload = { state: 'sending', sentBytes: 500e6, totalBytes: 2e9, bytesPerSecond: 12.5e6, message: null } as const;

describe('an upload in words', () => {
  it('gives share, speed and time left', () => {
    expect(uploadWords(upload)).toBe('500 MB of 2.00 GB sent (25 %), 12.5 MB a second, 2 min left');
    expect(uploadWords({ ...upload, bytesPerSecond: 0 })).toBe('500 MB of 2.00 GB sent (25 %)');
  });

  it('says that it is paused, waits, or is done', () => {
    expect(uploadWords({ ...upload, state: 'paused' })).toBe('Paused, 500 MB of 2.00 GB sent (25 %)');
    expect(uploadWords({ ...upload, state: 'waiting' })).toMatch(/^Waiting for the network, /);
    expect(uploadWords({ ...upload, state: 'done' })).toBe('Sent');
  });

  it('never says that all has arrived before it has', () => {
    expect(uploadWords({ ...upload, sentBytes: 1_999_999_999, bytesPerSecond: 0 })).toContain('(99 %)');
    expect([0, 46_789, 12_340_000, 345e6].map(megabytes)).toEqual(['0 kB', '47 kB', '12.3 MB', '345 MB']);
  });
});
