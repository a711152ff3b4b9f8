// @vitest-environment jsdom
import 'fake-indexeddb/auto';
import { getSession } from '@lean-mentor/contract';
import type { DeskChange } from '@lean-mentor/core/desk';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { call } from '../../shared/wire/index.ts';
import { wire } from '../../shared/wire/wire.ts';
import { type DeskVisit, mark, patience, visitDesk } from '../../testing/deskVisit.ts';
import { deskOpened } from './deskSlice.ts';
import { dropFromOutbox, keepChanges, letAsideGo, readAside, readHistory, readOutbox } from './deskStore.ts';
import { sendLeftoverEdits } from './leftoverEdits.ts';

let visit: DeskVisit;
beforeEach(async () => void (visit = await visitDesk()));
afterEach(() => visit.leave());

describe('an edit that the server will never take', () => {
  const aside = () => readAside(visit.requestId);

  it.each(['refuses', 'cannotRead'] as const)('is set aside with its reason, survives a reload, and the rest goes on (%s)', async (how) => {
    const edits = [mark(1), mark(2), mark(3)];
    visit.server[how].add(edits[1]!.changeId);
    for (const change of edits) visit.edit(change);
    await vi.waitUntil(() => visit.desk().outbox.length === 0, patience);
    expect(Object.keys(visit.server.document.marks).sort()).toEqual([edits[0]!.id, edits[2]!.id].sort());
    await vi.waitUntil(async () => (await aside()).length === 1 && (await visit.kept()).length === 0, patience);
    expect(await aside()).toMatchObject([{ change: { id: edits[1]!.id }, why: how === 'refuses' ? 'No.' : 'Not readable.' }]);
    expect([visit.desk().aside.length, visit.desk().saving]).toEqual([1, 'saved']);
    await visit.open();
    expect(await aside()).toHaveLength(1);
    await letAsideGo(edits[1]!.changeId);
    expect(await aside()).toEqual([]);
  });

  it('in bad weather is waited for: the disk that is full, the database that is being started again', async () => {
    const passing = ['no-room', 'busy', 'starting-again'];
    const answer = visit.server.answer.bind(visit.server);
    vi.stubGlobal('fetch', (_: URL, options: { body: string }) => {
      const code = passing.shift();
      if (code) return Promise.resolve(new Response(JSON.stringify({ code, message: 'Later.' }), { status: 503 }));
      return answer(JSON.parse(options.body) as { changes: DeskChange[]; since: number });
    });
    visit.edit(mark(4));
    await vi.waitUntil(() => visit.desk().saving === 'saved', patience);
    expect([Object.keys(visit.server.document.marks).length, await aside()]).toEqual([1, []]);
  });
});

describe('edits that somebody left in this browser', () => {
  const signInAs = async (id: string | null): Promise<void> => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify({ account: id && { id }, token: 't' }))));
    await wire(getSession)(call(getSession), { signal: new AbortController().signal } as never, {});
    visit.connect();
  };

  it('never go out under another’s name, nor are they seen by another; whose they are finds them again', async () => {
    await signInAs('marit');
    const hers = mark(8);
    await keepChanges(visit.requestId, [hers], { id: crypto.randomUUID(), changes: [hers] });
    await signInAs('jonas');
    await sendLeftoverEdits(visit.store.dispatch, { outbox: [] });
    expect(visit.server.lots).toEqual([]);
    expect([await visit.kept(), (await readHistory(visit.requestId)).done]).toEqual([[], []]);
    await signInAs('marit');
    expect((await readHistory(visit.requestId)).done).toHaveLength(1);
    await sendLeftoverEdits(visit.store.dispatch, { outbox: [] });
    expect(visit.server.lots).toEqual([[hers]]);
    await signInAs(null);
  });

  it('wait where somebody else signs in while they are on their way', async () => {
    await signInAs('marit');
    visit.server.weather = Array.from({ length: 30 }, () => 'away' as const);
    visit.edit(mark(9));
    await vi.waitUntil(() => visit.server.weather.length < 29, patience);
    await signInAs('jonas');
    visit.server.weather = [];
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(visit.server.lots).toEqual([]);
    visit.store.dispatch(
      deskOpened({
        requestId: visit.requestId,
        document: visit.server.document,
        sequence: 0,
        outbox: [],
        history: { done: [], undone: [] },
      }),
    );
    await signInAs(null);
  });
});

describe('edits that another visit left', () => {
  it('on any desk are sent when the coach comes back, and only those that the open desk sends itself wait for it', async () => {
    const [here, elsewhere] = [mark(1), mark(2)];
    const otherDesk = crypto.randomUUID();
    await keepChanges(visit.requestId, [here], null);
    await keepChanges(otherDesk, [elsewhere], null);
    await sendLeftoverEdits(visit.store.dispatch, { outbox: [here] });
    expect(visit.server.lots).toEqual([[elsewhere]]);
    expect((await readOutbox(otherDesk)).length).toBe(0);
    await dropFromOutbox([here.changeId]);
  });

  it('on the open desk are sent too where it was opened without them', async () => {
    const left = mark(3);
    await keepChanges(visit.requestId, [left], null);
    await sendLeftoverEdits(visit.store.dispatch, visit.desk());
    expect(visit.server.lots).toEqual([[left]]);
    expect(await visit.kept()).toEqual([]);
  });
});
