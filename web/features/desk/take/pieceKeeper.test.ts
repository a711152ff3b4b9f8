import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { deskDb } from '../deskStore.ts';
import { finishDeadTakes, PieceKeeper, type PieceNews } from './pieceKeeper.ts';

const of = { requestId: 'r', takeId: 't' };
const sound = (words: string) => ({ type: 'audio/webm' as const, voice: new Blob([words]), events: [] });
const patience = { timeout: 10_000, interval: 20 };

let taken: string[];
let answers: (number | 'offline')[];
let news: PieceNews | null;
beforeEach(() => {
  [taken, answers, news] = [[], [], null];
  vi.stubGlobal('fetch', (address: string, { body }: { body: string }) => {
    const status = answers.shift() ?? 200;
    if (status === 'offline') return Promise.reject(new Error('no network'));
    const { voice, pieces } = JSON.parse(body) as { voice?: string; pieces?: number[] };
    if (status === 200) taken.push(`${address.split('/takes/')[1]} ${voice === undefined ? JSON.stringify(pieces) : atob(voice)}`);
    return Promise.resolve(new Response('{}', { status }));
  });
});
afterEach(async () => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
  const db = await deskDb();
  await db.clear('takePieces');
  await db.clear('takesSpoken');
});
const keeper = (): PieceKeeper => new PieceKeeper(of, [], (now) => (news = now));
const kept = async () => (await deskDb()).count('takePieces');

describe('the pieces of a take', () => {
  it('are sent in order through bad weather, each once, and let go when they have arrived', async () => {
    // The take is not on the server's desk yet; then there is no network; then the disk is full.
    answers = [404, 'offline', 507];
    const pieces = keeper();
    for (const words of ['one', 'two', 'three']) pieces.add(0, sound(words));
    await vi.waitUntil(async () => (await kept()) === 3, patience);
    await pieces.finish();
    expect(taken).toEqual(['t/parts/0/pieces/0 one', 't/parts/0/pieces/1 two', 't/parts/0/pieces/2 three', 't/finish [3]']);
    expect([await kept(), (await (await deskDb()).getAll('takesSpoken')).length]).toEqual([0, 0]);
    expect(news).toEqual({ waiting: 0, unkept: false, refused: false });
  });

  it('that the server will never take do not hold up the others, and it is said', async () => {
    answers = [400];
    const pieces = keeper();
    pieces.add(0, sound('bad'));
    pieces.add(0, sound('good'));
    await pieces.finish();
    expect(taken[0]).toBe('t/parts/0/pieces/1 good');
    expect(news!.refused).toBe(true);
  });

  it('of a tab that died are sent at the next visit, and the take is put together as far as it was spoken', async () => {
    answers = Array<'offline'>(200).fill('offline');
    const dying = keeper();
    dying.add(0, sound('one'));
    dying.add(1, sound('two'));
    await vi.waitUntil(async () => (await kept()) === 2, patience);
    // Seconds later nothing more has come: no tab is speaking it.
    vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + 60_000 });
    answers = [];
    taken = [];
    expect(await finishDeadTakes()).toBeNull();
    expect(new Set(taken)).toEqual(new Set(['t/parts/0/pieces/0 one', 't/parts/1/pieces/0 two', 't/finish [1,1]']));
    expect(taken.at(-1)).toBe('t/finish [1,1]');
    expect(await kept()).toBe(0);
  });

  it('of a take that is being spoken in another tab are that tab’s', async () => {
    answers = Array<'offline'>(20).fill('offline');
    keeper().add(0, sound('one'));
    await vi.waitUntil(async () => (await kept()) === 1, patience);
    answers = [];
    expect(await finishDeadTakes()).toBeGreaterThan(0);
    expect(taken.filter((one) => one.includes('finish'))).toEqual([]);
  });
});
