// @vitest-environment jsdom
import { configureStore } from '@reduxjs/toolkit';
import { emptyDesk, type DeskChange } from '@lean-mentor/core/desk';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { baseApi } from '../../shared/wire/index.ts';
import { deskSaving } from './deskSaving.ts';
import { deskEdited, deskOpened, deskRedone, deskSlice, deskUndone } from './deskSlice.ts';
import { readOutbox } from './outboxStore.ts';

const requestId = '3f2a9d10-1111-4111-8111-111111111111';
let sent: DeskChange[][];
/** What the server answers next; the last one stays. */
let answers: ('taken' | 'away' | { status: number; code: string })[];

const makeStore = () =>
  configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer, [deskSlice.name]: deskSlice.reducer },
    middleware: (standard) => standard().prepend(deskSaving.middleware).concat(baseApi.middleware),
  });
let store: ReturnType<typeof makeStore>;

const mark = (atFrame: number, id = crypto.randomUUID()): DeskChange => ({
  changeId: crypto.randomUUID(),
  entity: 'mark',
  id,
  before: null,
  after: { id, footageId: 'v', atFrame, state: 'open' },
});
const desk = () => store.getState().desk;
const until = async (isSo: () => boolean): Promise<void> => {
  for (let i = 0; i < 500 && !isSo(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
};

beforeEach(() => {
  localStorage.clear();
  sent = [];
  answers = ['taken'];
  vi.stubGlobal('fetch', (_: URL, options: { body: string }) => {
    const { changes } = JSON.parse(options.body) as { changes: DeskChange[] };
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!;
    if (answer === 'away') return Promise.reject(new TypeError('no network'));
    sent.push(changes);
    if (answer === 'taken') return Promise.resolve(new Response(JSON.stringify({ saved: changes.map((c) => c.changeId) })));
    return Promise.resolve(new Response(JSON.stringify({ code: answer.code, message: 'No.' }), { status: answer.status }));
  });
  store = makeStore();
  store.dispatch(deskOpened({ requestId, document: emptyDesk(), outbox: [] }));
});
afterEach(async () => {
  answers = ['taken'];
  await until(() => desk().outbox.length === 0);
  vi.unstubAllGlobals();
});

describe('an edit on the desk', () => {
  it('is kept in the browser at once, and leaves it when the server has it', async () => {
    store.dispatch(deskEdited([mark(5)]));
    expect(readOutbox(requestId)).toHaveLength(1);
    await until(() => desk().saving === 'saved');
    expect(sent.flat()).toHaveLength(1);
    expect(readOutbox(requestId)).toEqual([]);
  });

  it('is sent together with those made a moment before', async () => {
    for (let i = 0; i < 10; i++) store.dispatch(deskEdited([mark(i)]));
    await until(() => desk().saving === 'saved');
    expect(sent.map((batch) => batch.length)).toEqual([10]);
  });

  it('waits while the server is away, says so, and arrives when it is back', async () => {
    answers = ['away'];
    store.dispatch(deskEdited([mark(5)]));
    await until(() => desk().saving === 'kept');
    expect(readOutbox(requestId)).toHaveLength(1);
    answers = ['taken'];
    await until(() => desk().saving === 'saved');
    expect(sent.flat()).toHaveLength(1);
  });

  it('that was never sent is sent at the next visit', async () => {
    const left = mark(9);
    store.dispatch(deskOpened({ requestId, document: emptyDesk(), outbox: [left] }));
    expect(Object.keys(desk().document.marks)).toEqual([left.id]);
    await until(() => desk().outbox.length === 0);
    expect(sent.flat()).toEqual([left]);
  });

  it('that the server refuses does not hold up the others', async () => {
    answers = [{ status: 400, code: 'not-valid' }, 'taken', { status: 400, code: 'not-valid' }, 'taken'];
    const edits = [mark(1), mark(2), mark(3)];
    for (const edit of edits) store.dispatch(deskEdited([edit]));
    await until(() => desk().outbox.length === 0);
    // All at once, refused; then one by one: taken, refused and let go, taken.
    expect(sent.map((batch) => batch.map((c) => c.changeId))).toEqual([edits.map((e) => e.changeId), ...edits.map((e) => [e.changeId])]);
  });
});

describe('undo', () => {
  it('takes back what was done at once as one step, saves it, and can be taken back itself', async () => {
    store.dispatch(deskEdited([mark(1), mark(2)]));
    store.dispatch(deskUndone(desk().done));
    expect(desk().document.marks).toEqual({});
    store.dispatch(deskRedone(desk().undone));
    expect(Object.values(desk().document.marks).map((m) => m.atFrame)).toEqual([1, 2]);
    await until(() => desk().saving === 'saved');
    const changes = sent.flat();
    expect(changes).toHaveLength(6);
    expect(new Set(changes.map((c) => c.changeId)).size).toBe(6);
  });

  it('has nothing to take back on an untouched desk', () => {
    store.dispatch(deskUndone(desk().done));
    expect(desk()).toMatchObject({ outbox: [], done: [], undone: [] });
  });

  it('forgets what was taken back once something new is done', () => {
    store.dispatch(deskEdited([mark(1)]));
    store.dispatch(deskUndone(desk().done));
    store.dispatch(deskEdited([mark(2)]));
    expect(desk().undone).toEqual([]);
  });
});
