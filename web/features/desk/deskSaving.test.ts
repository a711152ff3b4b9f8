// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { patchDesk } from '@lean-mentor/core/desk';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type DeskVisit, mark, patience, visitDesk } from '../../testing/deskVisit.ts';
import { seeded } from '../../testing/fakeDeskServer.ts';
import type * as DeskKeeper from './deskKeeper.ts';
import { deskRedone, deskUndone } from './deskSlice.ts';
import { keepChanges, readHistory } from './deskStore.ts';

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

let visit: DeskVisit;
beforeEach(async () => void (visit = await visitDesk()));
afterEach(async () => {
  disk = Promise.resolve();
  await visit.leave();
});

describe('an edit on the desk', () => {
  it('is kept in the browser at once, and leaves it when the server has it', async () => {
    visit.server.weather = ['away'];
    visit.edit(mark(5));
    await vi.waitUntil(async () => (await visit.kept()).length === 1, patience);
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(Object.values(visit.server.document.marks)).toHaveLength(1);
    await vi.waitUntil(async () => (await visit.kept()).length === 0, patience);
    expect(await visit.kept()).toEqual([]);
  });

  it('says where it is: on its way to the disk, kept here, server away, saved', async () => {
    const said: string[] = [];
    visit.store.subscribe(() => said.at(-1) !== visit.desk().saving && said.push(visit.desk().saving));
    visit.server.weather = Array.from({ length: 500 }, () => 'away' as const);
    visit.edit(mark(5));
    await vi.waitUntil(() => visit.desk().saving === 'away', patience);
    visit.server.weather = [];
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(said).toEqual(['writing', expect.stringMatching(/kept|away/), ...said.slice(2)]);
    expect(said).toContain('away');
    expect(said.at(-1)).toBe('saved');
  });

  it('is not called kept before it is on the disk, also while the server is away', async () => {
    const said = new Set<string>();
    visit.store.subscribe(() => said.add(visit.desk().saving));
    let diskIsReady = (): void => undefined;
    disk = new Promise<void>((ready) => (diskIsReady = ready));
    visit.server.weather = Array.from({ length: 20 }, () => 'away' as const);
    visit.edit(mark(5));
    await vi.waitUntil(() => visit.server.weather.length < 18, patience);
    expect([...said]).toEqual(['writing']);
    diskIsReady();
    await vi.waitUntil(() => visit.desk().saving === 'away', patience);
    expect(await visit.kept()).toHaveLength(1);
  });

  it('that the browser cannot keep is never called kept, only saved', async () => {
    const said = new Set<string>();
    visit.store.subscribe(() => said.add(visit.desk().saving));
    disk = Promise.reject(new Error('full'));
    visit.server.weather = ['away', 'away'];
    visit.edit(mark(5));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect([...said]).toEqual(['writing', 'saved']);
  });

  it('is on the disk with every other one, however many there are, before they are called kept', async () => {
    visit.server.weather = Array.from({ length: 500 }, () => 'away' as const);
    const edits = Array.from({ length: 150 }, (_, i) => mark(i));
    for (const change of edits) visit.edit(change);
    await vi.waitUntil(() => visit.desk().saving === 'away', patience);
    expect((await visit.kept()).map(({ changeId }) => changeId)).toEqual(edits.map(({ changeId }) => changeId));
    visit.server.weather = [];
    await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
  });

  it('made while another is on its way goes with the next lot', async () => {
    for (let i = 0; i < 10; i++) visit.edit(mark(i));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(visit.server.lots.map((lot) => lot.length)).toEqual([1, 9]);
  });

  it('whose answer was lost is sent again and taken once', async () => {
    visit.server.weather = ['answer-lost'];
    visit.edit(mark(5));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(visit.server.lots).toHaveLength(2);
    expect(visit.server.taken.size).toBe(1);
  });

  it('that was never sent is sent at the next visit', async () => {
    const left = mark(9);
    await keepChanges(visit.requestId, [left], null);
    await visit.open();
    expect(Object.keys(visit.desk().document.marks)).toEqual([left.id]);
    await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
    expect(visit.server.lots).toEqual([[left]]);
  });

  it('that the server refuses is taken back here and does not hold up the others', async () => {
    const edits = [mark(1), mark(2), mark(3)];
    visit.server.refuses.add(edits[1]!.changeId);
    visit.server.weather = ['away'];
    for (const change of edits) visit.edit(change);
    await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
    expect(Object.keys(visit.desk().document.marks).sort()).toEqual([edits[0]!.id, edits[2]!.id].sort());
    expect(visit.desk().document).toEqual(visit.server.document);
  });

  it('of somebody else comes with the next answer', async () => {
    const theirs = mark(77);
    visit.server.take(theirs, 'Abel');
    visit.edit(mark(5));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(visit.desk().document.marks[theirs.id]).toBeDefined();
    expect(visit.desk().document).toEqual(visit.server.document);
  });
});

describe('undo', () => {
  it('takes back what was done at once as one step, saves it, and can be taken back itself', async () => {
    visit.edit(mark(1), mark(2));
    visit.store.dispatch(deskUndone(visit.desk().done));
    expect(visit.desk().document.marks).toEqual({});
    visit.store.dispatch(deskRedone(visit.desk().undone));
    expect(Object.values(visit.desk().document.marks).map((m) => m.atFrame)).toEqual([1, 2]);
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect(visit.server.taken.size).toBe(6);
  });

  it('has nothing to take back on an untouched desk', () => {
    visit.store.dispatch(deskUndone(visit.desk().done));
    expect(visit.desk()).toMatchObject({ outbox: [], done: [], undone: [] });
  });

  it('forgets what was taken back once something new is done', () => {
    visit.edit(mark(1));
    visit.store.dispatch(deskUndone(visit.desk().done));
    visit.edit(mark(2));
    expect(visit.desk().undone).toEqual([]);
  });

  it('reaches back over a reload, both ways', async () => {
    visit.edit(mark(1));
    visit.edit(mark(2));
    visit.store.dispatch(deskUndone(visit.desk().done));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    await vi.waitUntil(async () => (await readHistory(visit.requestId)).undone.length === 1, patience);
    await visit.open();
    expect([visit.desk().done.length, visit.desk().undone.length]).toEqual([1, 1]);
    visit.store.dispatch(deskRedone(visit.desk().undone));
    expect(Object.values(visit.desk().document.marks).map((m) => m.atFrame)).toEqual([1, 2]);
    visit.store.dispatch(deskUndone(visit.desk().done));
    visit.store.dispatch(deskUndone(visit.desk().done));
    expect(visit.desk().document.marks).toEqual({});
  });
});

describe('five hundred random edits', () => {
  it.each([21, 22, 23])(
    'in bad weather, with browsers that die and a colleague, leave both sides equal and nothing missing (seed %i)',
    async (seed) => {
      const random = seeded(seed);
      const pick = <T>(from: readonly T[]): T | undefined => from[Math.floor(random() * from.length)];
      const made = new Set<string>();
      visit.server.dropsEveryThird = true;
      for (let i = 0; i < 500; i++) {
        const id = pick(Object.keys(visit.desk().document.marks));
        const dice = random();
        if (dice < 0.5 || !id) {
          const change = mark(i);
          made.add(change.id);
          visit.edit(change);
        } else if (dice < 0.8) {
          visit.edit(patchDesk(visit.desk().document, 'mark', id, { atFrame: i }, crypto.randomUUID())!);
        } else if (dice < 0.87) visit.store.dispatch(deskUndone(visit.desk().done));
        else if (dice < 0.9) visit.store.dispatch(deskRedone(visit.desk().undone));
        else if (dice < 0.94)
          visit.server.take(
            patchDesk(
              visit.server.document,
              'mark',
              pick(Object.keys(visit.server.document.marks)) ?? id,
              { atFrame: 10_000 + i },
              crypto.randomUUID(),
            ) ?? mark(i),
            'Abel',
          );
        else if (dice < 0.96) visit.server.weather.push('away', 'away');
        else if (dice < 0.98) {
          await visit.dieAndOpen();
        } else await new Promise((resolve) => setTimeout(resolve, random() * 20));
      }
      visit.server.dropsEveryThird = false;
      visit.server.weather = [];
      // A new browser does not wait out the pause of the last.
      await visit.dieAndOpen();
      await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
      // The colleague's last edits come with the next answer.
      visit.edit(mark(501));
      await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
      expect(visit.desk().document).toEqual(visit.server.document);
      expect(visit.desk().document.marks).not.toEqual({});
      expect(await visit.kept()).toEqual([]);
      for (const [changeId, count] of visit.server.taken) expect([changeId, count]).toEqual([changeId, 1]);
    },
    120_000,
  );
});
