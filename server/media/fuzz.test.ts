import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fuzzMedia } from '../testing/fuzzMedia.ts';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-fuzz-'));
});
afterAll(() => rm(folder, { recursive: true }));

describe('mutated files of every kind (npm run fuzz reads hundreds)', () => {
  it('are read or told in one sentence, soon, with sound frame tables and nothing left behind', async () => {
    const { faults, read, told } = await fuzzMedia(folder, 12);
    expect(faults).toEqual([]);
    expect(read).toBeGreaterThan(1);
    expect(told).toBeGreaterThan(2);
  });
});
