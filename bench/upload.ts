import { randomFillSync } from 'node:crypto';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import type { Caller } from '@lean-mentor/e2e';
import type { Figure } from './figure.ts';
import { memoryOf } from './processes.ts';

const piece = randomFillSync(Buffer.alloc(8e6));
const megabytes = 400;
const largeMegabytes = 2000;

/** The same piece until so many bytes are reached: nothing of the size of the whole is ever held. */
function* pieces(bytes: number): Generator<Buffer> {
  for (let left = bytes; left > 0; left -= piece.length) yield piece.subarray(0, Math.min(left, piece.length));
}

/** Uploads so many bytes; answers the seconds it took. It is no video, and is told so: what follows is not timed against that. */
async function uploaded(client: Caller, bytes: number, question: string): Promise<number> {
  const footage = await client.openRequest(bytes, question);
  const seconds = await client.upload(footage, pieces(bytes));
  await client.settled(footage.id);
  return seconds;
}

/** How fast bytes come in through the resumable upload, beside how fast this disk takes the same bytes; and memory while 2 GB come in. */
export async function benchUpload(client: Caller, folder: string): Promise<Figure[]> {
  const begun = performance.now();
  const file = await open(join(folder, 'bare'), 'w');
  for (const bytes of pieces(megabytes * 1e6)) await file.write(bytes);
  await file.close();
  const bareSeconds = (performance.now() - begun) / 1000;
  const seconds = await uploaded(client, megabytes * 1e6, 'How fast does it arrive?');

  const before = memoryOf(client.base, 'server/main.mjs').now;
  await uploaded(client, largeMegabytes * 1e6, 'Does it fit?');
  const { now: after, most } = memoryOf(client.base, 'server/main.mjs');
  return [
    {
      figure: 'upload throughput',
      value: megabytes / seconds,
      unit: 'MB/s',
      ofBareWrite: Math.round((bareSeconds / seconds) * 1000) / 1000,
      megabytes,
    },
    { figure: 'memory a 2 GB upload adds to the server', value: after - before, unit: 'MB', beforeMB: before, mostMB: most },
  ];
}
