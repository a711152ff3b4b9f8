import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fuzzMedia } from '../testing/fuzzMedia.ts';

/** `npm run fuzz -- [COUNT] [FROM]`: reads COUNT (240) mutated files, from number FROM (0) on; says what came of it and what must not. */
const [count = 240, from = 0] = process.argv.slice(2).map(Number);
const folder = await mkdtemp(join(tmpdir(), 'lean-fuzz-'));
try {
  const report = await fuzzMedia(folder, count, from);
  process.stdout.write(`${JSON.stringify(report)}\n`);
  process.exitCode = report.faults.length > 0 ? 1 : 0;
} finally {
  await rm(folder, { recursive: true, force: true });
}
