import { once } from 'node:events';
import { get, type IncomingMessage } from 'node:http';
import type { Caller } from '@lean-mentor/e2e';
import { quantile, type Figure } from './figure.ts';

const seeks = 200;
/** Seeks are spread over the file by the golden ratio. */
const spread = 0.618;

/** Milliseconds from a seek to the first byte of its answer; as a browser does, the rest is not waited for. */
export async function benchSeek(client: Caller, footageId: string): Promise<Figure[]> {
  const { reviewCopy } = (await (await client.ask('GET', `/api/footages/${footageId}/viewing`)).json()) as { reviewCopy: string };
  const head = await client.ask('GET', reviewCopy, { headers: { range: 'bytes=0-0' } });
  const size = Number(head.headers.get('content-range')!.split('/')[1]);
  const waits: number[] = [];
  for (let i = 0; i < seeks; i++) {
    const range = `bytes=${Math.floor(size * ((i * spread) % 1))}-`;
    const begun = performance.now();
    const asked = get(client.base + reviewCopy, { headers: { cookie: client.cookie(), range } });
    const [answer] = (await once(asked, 'response')) as [IncomingMessage];
    if (answer.statusCode !== 206) throw new Error(`A seek was answered with ${answer.statusCode}.`);
    await once(answer, 'readable');
    waits.push(performance.now() - begun);
    asked.destroy();
  }
  return [0.5, 0.95].map((share) => ({
    figure: `first byte of a seek, p${share * 100}`,
    value: quantile(waits, share),
    unit: 'ms',
    seeks,
  }));
}
