import { blankPrinciple, type BookPrinciple } from '@lean-mentor/core/book';
import type { Found } from '@lean-mentor/contract';
import { beforeAll, describe, expect, it } from 'vitest';
import { bringBout, bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { indexNotes, indexNotesOfFootage, indexWords } from './index.ts';

const { house, coach } = peopledHouse('coach');
const search = async (words: string): Promise<Found[]> =>
  (await coach.ask('post', '/api/search', { words, clientId: null })).body.found as Found[];
const found = async (words: string): Promise<string[]> => (await search(words)).map((one) => one.words.trim());

beforeAll(async () => {
  const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
  await indexWords(house, { id: requestId, entry: 'request', requestId, words: 'Why do my elbows leave?', at: house.now() });
  const boutId = await bringBout(house, footageId, 0, 900);
  await house.db.bouts.update(
    {
      spans: [
        { position: 'half-guard', holder: 'client', fromFrame: 0, toFrame: 500, name: 'Lockdown' },
        { position: 'mount', holder: 'client', fromFrame: 500, toFrame: 900 },
      ],
    },
    { where: { id: boutId } },
  );
  const principle = async (name: string, more: Partial<BookPrinciple> = {}): Promise<string> => {
    const { id, name: called, ...entry } = blankPrinciple({ id: house.newId(), name, ...more });
    await house.db.principles.create({ id, name: called, entry });
    return id;
  };
  const base = await principle('Wide foot first', { chances: 'lifted while passing' });
  const long = await principle('Back long');
  const write = async (kind: string, what: string, fromFrame: number, principleId: string): Promise<void> => {
    const id = house.newId();
    await house.db.notes.create({
      id,
      requestId,
      footageId,
      fromFrame,
      kind,
      layer: 'technical',
      athlete: 'client',
      seen: 'clear',
      severity: 2,
      what,
      instead: [],
      principleId,
      visible: 'client',
      causes: [],
    } as never);
    await indexNotes(house, [id]);
  };
  await write('good', 'The post is there in time.', 100, base);
  await write('mistake', 'No post when you need one.', 200, base);
  await write('good', 'Posture stays.', 600, long);
  await indexNotesOfFootage(house, footageId);
});

describe('the search', () => {
  it('finds “every good post when lifted”: the good note on the principle that counts “lifted while passing”, and says why', async () => {
    const all = await search('every good post when lifted');
    expect(all.map(({ kind, because }) => [kind, because])).toEqual([['good', ['its principle counts “lifted while passing”']]]);
    expect(all[0]!.words).toContain('The post is there in time.');
    expect(all[0]!.hits).toEqual(['post']);
  });

  it('takes a word in any of its forms, but “good post” is not “posture”', async () => {
    expect(await found('elbow')).toEqual(['Why do my elbows leave?']);
    expect(await found('elbows leaving')).toEqual(['Why do my elbows leave?']);
    expect(await found('good post')).toEqual([expect.stringContaining('The post is there')]);
    expect(await found('posture')).toEqual([expect.stringContaining('Posture stays')]);
    // Only begun, where no word is said like that.
    expect(await found('postu')).toEqual([expect.stringContaining('Posture stays')]);
  });

  it('finds notes by where they stand, with what is coded there, and by whose they are', async () => {
    expect(await found('half guard')).toHaveLength(2);
    const [mount] = await search('mount');
    expect([mount!.words.trim(), mount!.because]).toEqual([expect.stringContaining('Posture stays'), ['in mount']]);
    expect(await found('Moor posture')).toHaveLength(1);
    // What it is called there, too.
    const named = await search('lockdown');
    expect(named.map(({ because }) => because)).toEqual([['in half guard, Lockdown'], ['in half guard, Lockdown']]);
  });

  it('finds what is known of a client: what hurts', async () => {
    const [client] = await search('shoulder');
    expect(client).toMatchObject({ entry: 'client', clientId: clientA, requestId: null, hits: ['shoulder'] });
  });

  it('follows a principle that counts another chance now', async () => {
    const { id, name } = (await coach.ask('get', '/api/book')).body.principles.find((one: BookPrinciple) => one.name === 'Back long');
    await coach.ask('put', `/api/book/principles/${id}`, blankPrinciple({ id, name, cue: 'Long.', chances: 'pulled by the trombone' }));
    expect((await search('trombone')).map(({ because }) => because)).toEqual([['its principle counts “pulled by the trombone”']]);
  });

  it('shows what says all the words before what is found by what it is about', async () => {
    const all = await search('post');
    expect(all.map(({ because }) => because.length)).toEqual([...all.map(({ because }) => because.length)].sort());
  });
});
