import { randomFillSync } from 'node:crypto';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import type { Caller } from './caller.ts';
import type { Figure } from './figure.ts';

const megabytes = 200;

/** How fast bytes come in through the resumable upload, beside how fast this disk takes the same bytes. */
export async function benchUpload(client: Caller, folder: string): Promise<Figure[]> {
  const bytes = randomFillSync(new Uint8Array(megabytes * 1e6));
  const begun = performance.now();
  const file = await open(join(folder, 'bare'), 'w');
  await file.write(bytes);
  await file.close();
  const bareSeconds = (performance.now() - begun) / 1000;
  const footage = await client.openRequest(bytes.length, 'How fast does it arrive?');
  const seconds = await client.upload(footage, bytes);
  // It is no video, and is told so; what follows must not be timed against that.
  await client.settled(footage.id);
  return [
    {
      figure: 'upload throughput',
      value: megabytes / seconds,
      unit: 'MB/s',
      ofBareWrite: Math.round((bareSeconds / seconds) * 1000) / 1000,
      megabytes,
    },
  ];
}
