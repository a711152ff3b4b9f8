import { randomBytes } from 'node:crypto';
import { addHours } from 'date-fns';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { reviewCopyKey } from '../../storage/index.ts';
import { bringFootage, bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

const bytes = randomBytes(300_000);
const { house, open, coach, client: ada, other: ben } = peopledHouse('coach', 'client', 'other');
let requestId: string;
let footageId: string;
beforeAll(async () => {
  ({ requestId, footageId } = await bringRequest(house, clientA, 'ready'));
  await house.storage.putBytes(reviewCopyKey(footageId), bytes);
});
beforeEach(() => {
  house.time = null;
});

const addressFor = async (who: Visitor): Promise<string> =>
  (await who.ask('get', `/api/footages/${footageId}/viewing`)).body.reviewCopy as string;
const load = (who: Visitor, address: string, range?: string) => {
  const request = who
    .ask('get', address)
    .buffer(true)
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk)).on('end', () => done(null, Buffer.concat(chunks)));
    });
  return range ? request.set('range', range) : request;
};

describe('the address of a review copy', () => {
  it('gives its viewer the whole file and any range of it', async () => {
    const address = await addressFor(ada);
    const whole = await load(ada, address);
    expect([whole.status, whole.headers['accept-ranges'], whole.headers['content-type']]).toEqual([200, 'bytes', 'video/mp4']);
    expect(Buffer.compare(whole.body as Buffer, bytes)).toBe(0);
    for (const [range, from, to] of [
      ['bytes=0-0', 0, 0],
      ['bytes=1000-1999', 1000, 1999],
      ['bytes=299990-', 299_990, 299_999],
      ['bytes=-10', 299_990, 299_999],
    ] as const) {
      const part = await load(ada, address, range);
      expect([part.status, part.headers['content-range']], range).toEqual([206, `bytes ${from}-${to}/300000`]);
      expect(Buffer.compare(part.body as Buffer, bytes.subarray(from, to + 1)), range).toBe(0);
    }
    const beyond = await load(ada, address, 'bytes=300000-');
    expect([beyond.status, beyond.headers['content-range']]).toEqual([416, 'bytes */300000']);
  });

  it('that leaks is of no use to another account, to a stranger, or for another file', async () => {
    const address = await addressFor(ada);
    expect((await load(ben, address)).status).toBe(404);
    expect((await load(await visit(open.app, null), address)).status).toBe(401);
    // The coach may see the footage, and still not by the address of somebody else.
    expect((await load(coach, address)).status).toBe(410);
    expect((await load(coach, await addressFor(coach))).status).toBe(200);
    expect((await load(ada, address.replace('review.mp4', 'strip.jpg'))).status).toBe(410);
    expect((await load(ada, address.replace(/signature=.{4}/, 'signature=AAAA'))).status).toBe(410);
    expect((await load(ada, address.split('?')[0]!)).status).toBe(410);
  });

  it('expires, and a later time cannot be written into it', async () => {
    const address = await addressFor(ada);
    house.time = addHours(new Date(), 9);
    expect((await load(ada, address)).status).toBe(410);
    const later = address.replace(/until=\d+/, `until=${addHours(new Date(), 48).getTime()}`);
    expect((await load(ada, later)).status).toBe(410);
  });
});

describe('a second camera', () => {
  it('is aligned to a footage of its own request only, and not in a ring', async () => {
    const second = house.newId();
    await bringFootage(house, requestId, { id: second, position: 2, state: 'ready' });
    const align = (of: string, to: string | null) =>
      coach.ask('put', `/api/footages/${of}/alignment`, {
        alignment: to && { toFootageId: to, offsetSeconds: 3.25, confidence: 0.8, by: 'sound' },
      });
    expect((await align(second, footageId)).body.alignment).toMatchObject({ offsetSeconds: 3.25, by: 'sound' });
    expect((await align(footageId, second)).body.message).toBe('round.mp4 is itself aligned to another footage.');
    expect((await align(second, second)).status).toBe(400);
    const elsewhere = await bringRequest(house, clientA, 'ready');
    expect((await align(second, elsewhere.footageId)).body.message).toBe(
      'A second camera is aligned to another footage of the same request.',
    );
    expect((await align(second, null)).body.alignment).toBeNull();
  });
});
