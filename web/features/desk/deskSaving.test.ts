// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { configureStore } from '@reduxjs/toolkit';
import { patchDesk, type DeskChange } from '@lean-mentor/core/desk';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { getSession } from '@lean-mentor/contract';
import { baseApi, call } from '../../shared/wire/index.ts';
import { wire } from '../../shared/wire/wire.ts';
import type * as DeskKeeper from './deskKeeper.ts';
import { makeDeskSaving } from './deskSaving.ts';
import { deskEdited, deskOpened, deskRedone, deskSlice, deskUndone } from './deskSlice.ts';
import { deskDb, dropFromOutbox, keepChanges, letAsideGo, readAside, readHistory, readOutbox } from './deskStore.ts';
import { recoverRecordings } from './memo/recordings.ts';
import { sendLeftoverEdits } from './leftoverEdits.ts';
import { FakeServer, seeded } from '../../testing/fakeDeskServer.ts';

/** What the browser’s disk is waited for; a test may hold it or let it fail. */
let disk: Promise<void> = Promise.resolve();
vi.mock('./deskKeeper.ts', async (real) => {
  const { keepEdits } = await real<typeof DeskKeeper>();
  return {
    keepEdits: async (...edits: Parameters<typeof keepEdits>) => {
      await disk;
      return keepEdits(...edits);
    },
  };
});

let requestId: string;
let server: FakeServer;

const makeStore = () =>
  configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer, [deskSlice.name]: deskSlice.reducer },
    middleware: (standard) => standard().prepend(makeDeskSaving(8)).concat(baseApi.middleware),
  });
let store: ReturnType<typeof makeStore>;

const mark = (atFrame: number, id = crypto.randomUUID()): DeskChange => ({
  changeId: crypto.randomUUID(),
  entity: 'mark',
  id,
  before: null,
  after: { id, footageId: 'v', atFrame, toFrame: null, state: 'open' },
});
const desk = () => store.getState().desk;
const edit = (...changes: DeskChange[]) => store.dispatch(deskEdited({ changes, step: crypto.randomUUID() }));
const until = async (isSo: () => boolean | Promise<boolean>): Promise<void> => {
  for (let i = 0; i < 1000 && !(await isSo()); i++) await new Promise((resolve) => setTimeout(resolve, 10));
};
const kept = async () => (await readOutbox(requestId)).map(({ change }) => change);
/** A browser that opens the desk: what the server has, and what was kept here. */
const openDesk = async (): Promise<void> => {
  store = makeStore();
  const [outbox, history] = [await kept(), await readHistory(requestId)];
  store.dispatch(deskOpened({ requestId, document: server.document, sequence: server.sequence, outbox, history }));
};

beforeEach(async () => {
  requestId = crypto.randomUUID();
  server = new FakeServer();
  vi.stubGlobal('fetch', (_: URL, options: { body: string }) =>
    server.answer(JSON.parse(options.body) as { changes: DeskChange[]; since: number }),
  );
  await openDesk();
});
afterEach(async () => {
  server.weather = [];
  disk = Promise.resolve();
  await until(() => desk().outbox.length === 0);
  vi.unstubAllGlobals();
});

describe('an edit on the desk', () => {
  it('is kept in the browser at once, and leaves it when the server has it', async () => {
    server.weather = ['away'];
    edit(mark(5));
    await until(async () => (await kept()).length === 1);
    await until(() => desk().saving === 'saved');
    expect(Object.values(server.document.marks)).toHaveLength(1);
    await until(async () => (await kept()).length === 0);
    expect(await kept()).toEqual([]);
  });

  it('says where it is: on its way to the disk, kept here, server away, saved', async () => {
    const said: string[] = [];
    store.subscribe(() => said.at(-1) !== desk().saving && said.push(desk().saving));
    server.weather = ['away'];
    edit(mark(5));
    await until(() => desk().saving === 'saved');
    expect(said).toEqual(['writing', expect.stringMatching(/kept|away/), ...said.slice(2)]);
    expect(said).toContain('away');
    expect(said.at(-1)).toBe('saved');
  });

  it('is not called kept before it is on the disk, also while the server is away', async () => {
    const said = new Set<string>();
    store.subscribe(() => said.add(desk().saving));
    let diskIsReady = (): void => undefined;
    disk = new Promise<void>((ready) => (diskIsReady = ready));
    server.weather = Array.from({ length: 20 }, () => 'away' as const);
    edit(mark(5));
    await until(() => server.weather.length < 18);
    expect([...said]).toEqual(['writing']);
    diskIsReady();
    await until(() => desk().saving === 'away');
    expect(await kept()).toHaveLength(1);
  });

  it('that the browser cannot keep is never called kept, only saved', async () => {
    const said = new Set<string>();
    store.subscribe(() => said.add(desk().saving));
    disk = Promise.reject(new Error('full'));
    server.weather = ['away', 'away'];
    edit(mark(5));
    await until(() => desk().saving === 'saved');
    expect([...said]).toEqual(['writing', 'saved']);
  });

  it('is on the disk with every other one, however many there are, before they are called kept', async () => {
    server.weather = Array.from({ length: 500 }, () => 'away' as const);
    const edits = Array.from({ length: 150 }, (_, i) => mark(i));
    for (const change of edits) edit(change);
    await until(() => desk().saving === 'away');
    expect((await kept()).map(({ changeId }) => changeId)).toEqual(edits.map(({ changeId }) => changeId));
    server.weather = [];
    await until(() => desk().outbox.length === 0);
  });

  it('made while another is on its way goes with the next lot', async () => {
    for (let i = 0; i < 10; i++) edit(mark(i));
    await until(() => desk().saving === 'saved');
    expect(server.lots.map((lot) => lot.length)).toEqual([1, 9]);
  });

  it('whose answer was lost is sent again and taken once', async () => {
    server.weather = ['answer-lost'];
    edit(mark(5));
    await until(() => desk().saving === 'saved');
    expect(server.lots).toHaveLength(2);
    expect(server.taken.size).toBe(1);
  });

  it('that was never sent is sent at the next visit', async () => {
    const left = mark(9);
    await keepChanges(requestId, [left], null);
    await openDesk();
    expect(Object.keys(desk().document.marks)).toEqual([left.id]);
    await until(() => desk().outbox.length === 0);
    expect(server.lots).toEqual([[left]]);
  });

  it('that the server refuses is taken back here and does not hold up the others', async () => {
    const edits = [mark(1), mark(2), mark(3)];
    server.refuses.add(edits[1]!.changeId);
    server.weather = ['away'];
    for (const change of edits) edit(change);
    await until(() => desk().outbox.length === 0);
    expect(Object.keys(desk().document.marks).sort()).toEqual([edits[0]!.id, edits[2]!.id].sort());
    expect(desk().document).toEqual(server.document);
  });

  it('of somebody else comes with the next answer', async () => {
    const theirs = mark(77);
    server.take(theirs, 'Abel');
    edit(mark(5));
    await until(() => desk().saving === 'saved');
    expect(desk().document.marks[theirs.id]).toBeDefined();
    expect(desk().document).toEqual(server.document);
  });
});

describe('an edit that the server will never take', () => {
  const aside = () => readAside(requestId);

  it.each(['refuses', 'cannotRead'] as const)('is set aside with its reason, survives a reload, and the rest goes on (%s)', async (how) => {
    const edits = [mark(1), mark(2), mark(3)];
    server[how].add(edits[1]!.changeId);
    for (const change of edits) edit(change);
    await until(() => desk().outbox.length === 0);
    expect(Object.keys(server.document.marks).sort()).toEqual([edits[0]!.id, edits[2]!.id].sort());
    await until(async () => (await aside()).length === 1 && (await kept()).length === 0);
    expect(await aside()).toMatchObject([{ change: { id: edits[1]!.id }, why: how === 'refuses' ? 'No.' : 'Not readable.' }]);
    expect([desk().aside.length, desk().saving]).toEqual([1, 'saved']);
    await openDesk();
    expect(await aside()).toHaveLength(1);
    await letAsideGo(edits[1]!.changeId);
    expect(await aside()).toEqual([]);
  });

  it('in bad weather is waited for: the disk that is full, the database that is being started again', async () => {
    const passing = ['no-room', 'busy', 'starting-again'];
    const answer = server.answer.bind(server);
    vi.stubGlobal('fetch', (_: URL, options: { body: string }) => {
      const code = passing.shift();
      if (code) return Promise.resolve(new Response(JSON.stringify({ code, message: 'Later.' }), { status: 503 }));
      return answer(JSON.parse(options.body) as { changes: DeskChange[]; since: number });
    });
    edit(mark(4));
    await until(() => desk().saving === 'saved');
    expect([Object.keys(server.document.marks).length, await aside()]).toEqual([1, []]);
  });
});

describe('edits that somebody left in this browser', () => {
  const signInAs = async (id: string | null): Promise<void> => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ account: id && { id }, token: 't' }))));
    await wire(getSession)(call(getSession), { signal: new AbortController().signal } as never, {});
    vi.stubGlobal('fetch', (_: URL, options: { body: string }) => server.answer(JSON.parse(options.body) as { changes: DeskChange[]; since: number })); // prettier-ignore
  };

  it('never go out under another’s name, nor are they seen by another; whose they are finds them again', async () => {
    await signInAs('marit');
    const hers = mark(8);
    await keepChanges(requestId, [hers], { id: crypto.randomUUID(), changes: [hers] });
    await signInAs('jonas');
    await sendLeftoverEdits(store.dispatch, { outbox: [] });
    expect(server.lots).toEqual([]);
    expect([await kept(), (await readHistory(requestId)).done]).toEqual([[], []]);
    await signInAs('marit');
    expect((await readHistory(requestId)).done).toHaveLength(1);
    await sendLeftoverEdits(store.dispatch, { outbox: [] });
    expect(server.lots).toEqual([[hers]]);
    await signInAs(null);
  });

  it('wait where somebody else signs in while they are on their way', async () => {
    await signInAs('marit');
    server.weather = Array.from({ length: 30 }, () => 'away' as const);
    edit(mark(9));
    await until(() => server.weather.length < 29);
    await signInAs('jonas');
    server.weather = [];
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(server.lots).toEqual([]);
    store.dispatch(deskOpened({ requestId, document: server.document, sequence: 0, outbox: [], history: { done: [], undone: [] } }));
    await signInAs(null);
  });
});

describe('a memo whose tab died while it was being spoken', () => {
  it('is there at the next visit as far as it was spoken, once, and of a recording that goes on nothing is taken', async () => {
    const [dead, alive] = [crypto.randomUUID(), crypto.randomUUID()];
    const recording = (memoId: string, ago: number) => ({ memoId, requestId, noteId: crypto.randomUUID(), accountId: null, type: 'audio/webm', parts: [new Blob(['a']), new Blob(['b'])], at: Date.now() - ago }); // prettier-ignore
    const db = await deskDb();
    await db.put('recordings', recording(dead, 60_000));
    await db.put('recordings', recording(alive, 500));
    for (let visits = 0; visits < 2; visits++) await recoverRecordings(() => Promise.resolve({ seconds: 2, peaks: [0.5] }));
    expect(await kept()).toMatchObject([{ entity: 'memo', id: dead, after: { seconds: 2, peaks: [0.5] } }]);
    expect((await db.getAll('sounds')).map(({ memoId }) => memoId)).toEqual([dead]);
    expect((await db.getAll('recordings')).map(({ memoId }) => memoId)).toEqual([alive]);
    await dropFromOutbox((await kept()).map(({ changeId }) => changeId));
  });
});

describe('edits that another visit left', () => {
  it('on any desk are sent when the coach comes back, and only those that the open desk sends itself wait for it', async () => {
    const [here, elsewhere] = [mark(1), mark(2)];
    const otherDesk = crypto.randomUUID();
    await keepChanges(requestId, [here], null);
    await keepChanges(otherDesk, [elsewhere], null);
    await sendLeftoverEdits(store.dispatch, { outbox: [here] });
    expect(server.lots).toEqual([[elsewhere]]);
    expect((await readOutbox(otherDesk)).length).toBe(0);
    await dropFromOutbox([here.changeId]);
  });

  it('on the open desk are sent too where it was opened without them', async () => {
    const left = mark(3);
    await keepChanges(requestId, [left], null);
    await sendLeftoverEdits(store.dispatch, desk());
    expect(server.lots).toEqual([[left]]);
    expect(await kept()).toEqual([]);
  });
});

describe('undo', () => {
  it('takes back what was done at once as one step, saves it, and can be taken back itself', async () => {
    edit(mark(1), mark(2));
    store.dispatch(deskUndone(desk().done));
    expect(desk().document.marks).toEqual({});
    store.dispatch(deskRedone(desk().undone));
    expect(Object.values(desk().document.marks).map((m) => m.atFrame)).toEqual([1, 2]);
    await until(() => desk().saving === 'saved');
    expect(server.taken.size).toBe(6);
  });

  it('has nothing to take back on an untouched desk', () => {
    store.dispatch(deskUndone(desk().done));
    expect(desk()).toMatchObject({ outbox: [], done: [], undone: [] });
  });

  it('forgets what was taken back once something new is done', () => {
    edit(mark(1));
    store.dispatch(deskUndone(desk().done));
    edit(mark(2));
    expect(desk().undone).toEqual([]);
  });

  it('reaches back over a reload, both ways', async () => {
    edit(mark(1));
    edit(mark(2));
    store.dispatch(deskUndone(desk().done));
    await until(() => desk().saving === 'saved');
    await until(async () => (await readHistory(requestId)).undone.length === 1);
    await openDesk();
    expect([desk().done.length, desk().undone.length]).toEqual([1, 1]);
    store.dispatch(deskRedone(desk().undone));
    expect(Object.values(desk().document.marks).map((m) => m.atFrame)).toEqual([1, 2]);
    store.dispatch(deskUndone(desk().done));
    store.dispatch(deskUndone(desk().done));
    expect(desk().document.marks).toEqual({});
  });
});

describe('five hundred random edits', () => {
  it.each([21, 22, 23])(
    'in bad weather, with browsers that die and a colleague, leave both sides equal and nothing missing (seed %i)',
    async (seed) => {
      const random = seeded(seed);
      const pick = <T>(from: readonly T[]): T | undefined => from[Math.floor(random() * from.length)];
      const made = new Set<string>();
      server.dropsEveryThird = true;
      for (let i = 0; i < 500; i++) {
        const id = pick(Object.keys(desk().document.marks));
        const dice = random();
        if (dice < 0.5 || !id) {
          const change = mark(i);
          made.add(change.id);
          edit(change);
        } else if (dice < 0.8) {
          edit(patchDesk(desk().document, 'mark', id, { atFrame: i }, crypto.randomUUID())!);
        } else if (dice < 0.87) store.dispatch(deskUndone(desk().done));
        else if (dice < 0.9) store.dispatch(deskRedone(desk().undone));
        else if (dice < 0.94)
          server.take(patchDesk(server.document, 'mark', pick(Object.keys(server.document.marks)) ?? id, { atFrame: 10_000 + i }, crypto.randomUUID()) ?? mark(i), 'Abel'); // prettier-ignore
        else if (dice < 0.96) server.weather.push('away', 'away');
        else if (dice < 0.98) {
          // The browser dies: what it had kept is all that the next one finds.
          await until(() => desk().saving !== 'writing');
          await openDesk();
        } else await new Promise((resolve) => setTimeout(resolve, random() * 20));
      }
      server.dropsEveryThird = false;
      await until(() => desk().outbox.length === 0);
      // The colleague's last edits come with the next answer.
      edit(mark(501));
      await until(() => desk().outbox.length === 0);
      expect(desk().document).toEqual(server.document);
      expect(desk().document.marks).not.toEqual({});
      expect(await kept()).toEqual([]);
      for (const [changeId, count] of server.taken) expect([changeId, count]).toEqual([changeId, 1]);
    },
    120_000,
  );
});
