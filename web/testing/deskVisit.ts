import 'fake-indexeddb/auto';
import { configureStore, type Middleware } from '@reduxjs/toolkit';
import type { DeskChange } from '@lean-mentor/core/desk';
import { vi } from 'vitest';
import { baseApi } from '../shared/wire/index.ts';
import { makeDeskSaving } from '../features/desk/deskSaving.ts';
import { deskEdited, deskOpened, deskSlice } from '../features/desk/deskSlice.ts';
import { readHistory, readOutbox } from '../features/desk/deskStore.ts';
import { FakeServer } from './fakeDeskServer.ts';

/** An edit that makes a mark. */
export const mark = (atFrame: number, id = crypto.randomUUID()): DeskChange => ({
  changeId: crypto.randomUUID(),
  entity: 'mark',
  id,
  before: null,
  after: { id, footageId: 'v', atFrame, toFrame: null, state: 'open' },
});

/** How long is waited for something, in ms, and how often it is looked for. */
export const patience = { timeout: 10_000, interval: 10 };

/** A page's store until `isGone`: from then on nothing happens in it, and whatever waits for it waits for ever. */
const newStore = (isGone: () => boolean) => {
  const life: Middleware = () => (next) => (action) => (isGone() ? new Promise(() => undefined) : next(action));
  return configureStore({
    reducer: { [baseApi.reducerPath]: baseApi.reducer, [deskSlice.name]: deskSlice.reducer },
    middleware: (standard) => standard().prepend(life, makeDeskSaving(8)).concat(baseApi.middleware),
  });
};

/** A browser at one desk, and the server that it saves to. */
export class DeskVisit {
  readonly requestId = crypto.randomUUID();
  readonly server = new FakeServer();
  /** How many pages there were; each is gone when the next one opens. */
  private pages = 0;
  store = this.newPage();

  private newPage() {
    const page = ++this.pages;
    return newStore(() => page < this.pages);
  }

  /** Lets every call of the page reach this server. */
  connect(): void {
    vi.stubGlobal('fetch', (_: URL, options: { body: string }) =>
      this.server.answer(JSON.parse(options.body) as { changes: DeskChange[]; since: number }),
    );
  }

  /** Opens the desk as a browser does: what the server has, and what was kept here. */
  async open(): Promise<void> {
    this.store = this.newPage();
    const [outbox, history] = [await this.kept(), await readHistory(this.requestId)];
    const { document, sequence } = this.server;
    this.store.dispatch(deskOpened({ requestId: this.requestId, document, sequence, outbox, history }));
  }

  /** The browser dies: what it had kept is all that the next one finds. */
  async dieAndOpen(): Promise<void> {
    await vi.waitUntil(() => this.desk().saving !== 'writing', patience);
    await this.open();
  }

  desk() {
    return this.store.getState().desk;
  }

  edit(...changes: DeskChange[]): void {
    this.store.dispatch(deskEdited({ changes, step: crypto.randomUUID() }));
  }

  /** What the browser holds that the server has not taken. */
  async kept(): Promise<DeskChange[]> {
    return (await readOutbox(this.requestId)).map(({ change }) => change);
  }

  /** Waits until everything is sent, and leaves. */
  async leave(): Promise<void> {
    this.server.weather = [];
    await vi.waitUntil(() => this.desk().outbox.length === 0, patience);
    this.pages += 1;
    vi.unstubAllGlobals();
  }
}

/** A desk that has just been opened. */
export async function visitDesk(): Promise<DeskVisit> {
  const visit = new DeskVisit();
  visit.connect();
  await visit.open();
  return visit;
}
