import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { checkKept, forgetKept, keepClips, keepFilm, type ToKeep } from './keeping.ts';
import { lastOwner } from '../../shared/keeping/index.ts';
import { dropKept, keptClip, keptFilms } from './keptStore.ts';

const wanted = (filmId = 'film', accountId = 'bram'): ToKeep => ({
  ...{ filmId, accountId, critiqueId: 'critique', version: 1, place: 0, title: 'The grip', seconds: 8 },
});
/** What the network answers, by the end of the address; null: there is none. */
let answers: Record<string, () => Response | null>;
let room: StorageEstimate;
const registered = vi.fn(() => Promise.resolve());
beforeEach(() => {
  room = { quota: 1e9, usage: 0 };
  answers = {
    'film.mp4': () => new Response('a film', { headers: { 'content-length': '6' } }),
    'words.vtt': () => new Response('WEBVTT'),
  };
  registered.mockClear();
  const remembered = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => remembered.get(key) ?? null,
    setItem: (key: string, value: string) => void remembered.set(key, value),
  });
  vi.stubGlobal('navigator', { storage: { estimate: () => Promise.resolve(room) }, serviceWorker: { register: registered } });
  vi.stubGlobal('fetch', (address: string) => {
    const answer = Object.entries(answers).find(([end]) => address.endsWith(end))?.[1]();
    return answer ? Promise.resolve(answer) : Promise.reject(new TypeError('no network'));
  });
});
afterEach(async () => {
  for (const owner of ['bram', 'ilse']) await forgetKept(owner);
  vi.unstubAllGlobals();
});
const titles = async (owner: string): Promise<string[]> => (await keptFilms(owner)).map(({ title }) => title);

describe('a film that is kept on the phone', () => {
  it('is there whole with its words, is its owner’s alone, and the page opens without a network from then on', async () => {
    const come: number[] = [];
    expect(await keepFilm(wanted(), true, 6, (bytes) => come.push(bytes))).toBeNull();
    const [kept] = await keptFilms('bram');
    expect([kept!.words, kept!.film.size, come.at(-1)]).toEqual(['WEBVTT', 6, 6]);
    expect([await titles('ilse'), lastOwner(), registered.mock.calls]).toEqual([[], 'bram', [['/sw.js']]]);
  });

  it('is not where there is no room, where it comes in part only, or where it is gone; each is said', async () => {
    room = { quota: 10, usage: 5 };
    expect(await keepFilm(wanted(), false, 6, () => undefined)).toContain('no room');
    room = {};
    answers['film.mp4'] = () => new Response('a fi', { headers: { 'content-length': '6' } });
    expect(await keepFilm(wanted(), false, 6, () => undefined)).toContain('did not come whole');
    answers['film.mp4'] = () => new Response('', { status: 404 });
    expect(await keepFilm(wanted(), false, 6, () => undefined)).toContain('not there any more');
    answers = {};
    expect(await keepFilm(wanted(), false, 6, () => undefined)).toContain('did not come whole');
    expect([await titles('bram'), registered.mock.calls]).toEqual([[], []]);
  });

  it('stays without a network, says when the coach sent it anew, and goes when it was taken back or its picture removed', async () => {
    await keepFilm(wanted(), false, 6, () => undefined);
    expect([await checkKept('bram'), await titles('bram')]).toEqual([[], ['The grip']]);
    const critique = (version: number, state: string) => () =>
      new Response(JSON.stringify({ version, takes: [{ footageId: 'f' }], footages: [{ id: 'f', state }] }));
    answers['/critiques/critique'] = critique(1, 'ready');
    await checkKept('bram');
    expect((await keptFilms('bram'))[0]!.outdated).toBe(false);
    answers['/critiques/critique'] = critique(2, 'ready');
    expect([await checkKept('bram'), (await keptFilms('bram'))[0]!.outdated]).toEqual([[], true]);
    answers['/critiques/critique'] = () => new Response('', { status: 401 });
    expect(await checkKept('bram')).toEqual([]);
    answers['/critiques/critique'] = critique(1, 'removed');
    expect([await checkKept('bram'), await titles('bram')]).toEqual([['The grip'], []]);
    await keepFilm(wanted(), false, 6, () => undefined);
    answers['/critiques/critique'] = () => new Response('', { status: 404 });
    expect([await checkKept('bram'), await titles('bram')]).toEqual([['The grip'], []]);
  });

  it('that goes with work is fetched once, let go when the work is over, and is its owner’s alone', async () => {
    const asked: string[] = [];
    answers['clip-a'] = () => (asked.push('a'), new Response('a clip'));
    answers['clip-b'] = () => null;
    const wanted = ['a', 'b'].map((clipId) => ({ clipId, address: `/clip-${clipId}` }));
    await keepClips('bram', wanted);
    await keepClips('bram', wanted);
    expect([asked, (await keptClip('bram', 'a'))!.size, await keptClip('ilse', 'a'), await keptClip('bram', 'b')]).toEqual([
      ['a'],
      6,
      null,
      null,
    ]);
    await keepClips('bram', []);
    expect(await keptClip('bram', 'a')).toBeNull();
  });

  it('is let go alone, or with all that is somebody’s, and another’s stays', async () => {
    for (const [filmId, owner] of [
      ['a', 'bram'],
      ['b', 'bram'],
      ['c', 'ilse'],
    ] as const)
      await keepFilm(wanted(filmId, owner), false, 6, () => undefined);
    await dropKept(['a']);
    expect((await keptFilms('bram')).map(({ filmId }) => filmId)).toEqual(['b']);
    await forgetKept('bram');
    expect([await titles('bram'), await titles('ilse')]).toEqual([[], ['The grip']]);
  });
});
