import { beforeAll, describe, expect, it } from 'vitest';
import { frameTableKey } from '../../storage/index.ts';
import { bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';

const { house, coach } = peopledHouse('coach');
let requestId: string;
beforeAll(async () => {
  const brought = await bringRequest(house, clientA, 'ready');
  requestId = brought.requestId;
  await house.storage.putBytes(
    frameTableKey(brought.footageId),
    JSON.stringify({ times: Array.from({ length: 90 }, (_, i) => i / 30), endSeconds: 3 }),
  );
  await house.db.principles.create({ id: house.newId(), name: 'Elbow in' });
});

const bring = (notes: object[]) => coach.ask('post', `/api/requests/${requestId}/notes`, { format: 'lean-mentor/notes@1', notes });
const take = async (as: string) => coach.ask('get', `/api/requests/${requestId}/notes.${as}`).buffer(true);

describe('notes from a file', () => {
  it('are put on the desk by frame or by second, and come out again', async () => {
    const answer = await bring([
      {
        footage: 'Round.mp4',
        frame: 12,
        kind: 'mistake',
        what: 'The elbow, again.',
        principle: 'elbow IN',
        instead: [{ when: 'he pulls', do: 'turn' }],
      },
      { footage: 'round.mp4', seconds: 1.01, toFrame: 60, kind: 'good' },
    ]);
    expect(answer.body).toEqual({ added: 2 });
    const file = JSON.parse((await take('json')).text);
    expect(file.notes).toMatchObject([
      {
        footage: 'round.mp4',
        frame: 12,
        seconds: 0.4,
        kind: 'mistake',
        principle: 'Elbow in',
        instead: [{ when: 'he pulls', do: 'turn' }],
      },
      { frame: 30, toFrame: 60, kind: 'good', principle: null },
    ]);
    const csv = (await take('csv')).text.split('\n');
    expect(csv[0]).toBe('footage,frame,seconds,toFrame,kind,layer,athlete,seen,severity,visible,principle,what,instead');
    expect(csv[1]).toBe('round.mp4,12,0.4,,mistake,technical,client,clear,2,client,Elbow in,"The elbow, again.",If he pulls: turn');
  });

  it('are refused as a whole, in words, where one of them has no place', async () => {
    const before = JSON.parse((await take('json')).text).notes.length;
    const { status, body } = await bring([
      { footage: 'round.mp4', frame: 1, kind: 'good' },
      { footage: 'other.mp4', frame: 1, kind: 'good' },
      { footage: 'round.mp4', frame: 90, kind: 'good' },
      { footage: 'round.mp4', frame: 5, toFrame: 5, kind: 'good' },
      { footage: 'round.mp4', frame: 5, kind: 'good', principle: 'Nobody knows' },
    ]);
    expect(status).toBe(400);
    expect(body.message).toContain('Note 2: there is no footage “other.mp4” in this request; there is “round.mp4”.');
    expect(body.message).toContain('Note 3: “round.mp4” has 90 frames in 3.0 s');
    expect(body.message).toContain('Note 4: its range from frame 5 to 5 is none.');
    expect(body.message).toContain('Note 5: there is no principle “Nobody knows” in the book.');
    expect(JSON.parse((await take('json')).text).notes.length).toBe(before);
  });
});
