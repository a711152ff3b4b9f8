import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signInTo } from '@lean-mentor/e2e';
import { say } from './figure.ts';
import { benchFilm } from './film.ts';
import { benchFirstStretch } from './firstStretch.ts';
import { benchLadder } from './ladder.ts';
import { benchDesk, bringAll } from './desk.ts';
import { benchMakeReady } from './makeReady.ts';
import { benchScoring } from './scoring.ts';
import { benchSeek } from './seek.ts';
import { benchMany } from './readers.ts';
import { benchUpload } from './upload.ts';

const base = process.env['LEAN_BENCH_URL']!;
const folder = await mkdtemp(join(tmpdir(), 'lean-bench-'));
try {
  const client = await signInTo(base, 'wen');
  // The demo's own footage must be out of the way before anything is timed.
  await client.quiet();
  // `npm run bench -- film`, `-- start` and `-- many` run these parts alone.
  if (process.argv[2] === 'film') {
    for (const figure of await benchFilm(folder)) say(figure);
    process.exit();
  }
  if (process.argv[2] === 'start') {
    for (const figure of await benchFirstStretch(base, client, folder)) say(figure);
    process.exit();
  }
  for (const figure of await benchMany(base, client)) say(figure);
  if (process.argv[2] === 'many') process.exit();
  for (const figure of [...benchScoring(), ...benchLadder()]) say(figure);
  for (const figure of await benchUpload(client, folder)) say(figure);
  const { figures, footageId } = await benchMakeReady(client, folder);
  for (const figure of figures) say(figure);
  for (const figure of await benchFirstStretch(base, client, folder)) say(figure);
  for (const figure of await benchSeek(client, footageId)) say(figure);
  for (const figure of await benchFilm(folder)) say(figure);
  for (const figure of await benchDesk(base, await bringAll(client, folder))) say(figure);
} finally {
  await rm(folder, { recursive: true, force: true });
}
