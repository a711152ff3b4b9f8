import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { MembershipView } from '@lean-mentor/contract';
import { signInTo, type Caller } from '@lean-mentor/e2e';
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
const folder = mkdtempSync(join(tmpdir(), 'lean-bench-'));
process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
/** What runs alone as `npm run bench -- film`, and so on. */
const parts = {
  film: () => benchFilm(folder),
  start: (client: Caller) => benchFirstStretch(base, client, folder),
  ready: async (client: Caller) => (await benchMakeReady(client, folder)).figures,
  many: (client: Caller) => benchMany(base, client),
};
/** The parts send more requests than one period of Wen's plan holds. */
async function giveRoom(): Promise<void> {
  const coach = await signInTo(base, 'marit');
  const { memberships } = (await (await coach.ask('GET', '/api/practice')).json()) as { memberships: MembershipView[] };
  const { id } = memberships.find(({ clientName, state }) => clientName.startsWith('Wen') && state === 'runs')!;
  for (let extra = 0; extra < 12; extra++) await coach.ask('POST', `/api/memberships/${id}/extra`);
}

const client = await signInTo(base, 'wen');
// The demo's own footage must be out of the way before anything is timed.
await client.quiet();
await giveRoom();
const alone = process.argv[2];
if (alone) {
  if (!(alone in parts)) throw new Error(`There is no part “${alone}”; there are ${Object.keys(parts).join(', ')}.`);
  for (const figure of await parts[alone as keyof typeof parts](client)) say(figure);
  process.exit();
}
for (const figure of await benchMany(base, client)) say(figure);
for (const figure of [...benchScoring(), ...benchLadder()]) say(figure);
for (const figure of await benchUpload(client, folder)) say(figure);
const { figures, footageId } = await benchMakeReady(client, folder);
for (const figure of figures) say(figure);
for (const figure of await benchFirstStretch(base, client, folder)) say(figure);
for (const figure of await benchSeek(client, footageId)) say(figure);
for (const figure of await benchFilm(folder)) say(figure);
for (const figure of await benchDesk(base, await bringAll(client, folder))) say(figure);
