import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ExportState, Request } from '@lean-mentor/contract';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { signInTo, type Caller } from '@lean-mentor/e2e';
import { quantile, say, type Figure } from './figure.ts';
import { tenMinuteFilm } from './madeFootage.ts';

const base = process.env['LEAN_BENCH_URL']!;
const [clients, requests, notes] = [2000, 40_000, 1_000_000];

const json = (body: unknown) => ({ body: JSON.stringify(body), headers: { 'content-type': 'application/json' } });

async function timedCalls(calls: readonly (() => Promise<unknown>)[]): Promise<number[]> {
  const times: number[] = [];
  for (const call of calls) {
    const begun = performance.now();
    await call();
    times.push(performance.now() - begun);
  }
  return times;
}

/** A figure of how long something takes at most in nineteen of twenty times; `first` before anything of it was in memory. */
const p95 = (figure: string, [first = 0, ...times]: number[], goal: number): Figure => ({
  ...{ figure: `${figure}, p95`, value: quantile(times, 0.95), unit: 'ms', goal },
  ...{ middle: Math.round(quantile(times, 0.5)), first: Math.round(first), clients, requests, notes },
});

const read = async (coach: Caller, method: string, path: string, body?: unknown): Promise<unknown> =>
  (await coach.ask(method, path, body === undefined ? {} : json(body))).json();

/** The client page of a filled practice: what its two calls take. Every call is of another client. */
async function benchClientPage(coach: Caller): Promise<Figure[]> {
  const { clients: all } = (await read(coach, 'GET', '/api/clients')) as { clients: { id: string; name: string }[] };
  const filled = all.filter(({ name }) => name.startsWith('Client ')).slice(0, 120);
  const of = (what: string) =>
    filled.map(
      ({ id }) =>
        () =>
          read(coach, 'GET', `/api/clients/${id}/${what}`),
    );
  const [history, progress] = [await timedCalls(of('history')), await timedCalls(of('progress'))];
  return [p95('client page history', history, 80), p95('client page progress', progress, 80)];
}

const searches = [
  'every good post when lifted',
  'elbow late',
  'hand inside the knee',
  'missed chances in half guard heel',
  'weight over hooks',
  'shoulder grip',
  'opens early angle',
  'good frame',
];

async function benchSearch(coach: Caller): Promise<Figure[]> {
  const calls = Array.from(
    { length: 96 },
    (_, i) => () => read(coach, 'POST', '/api/search', { words: searches[i % searches.length], clientId: null }),
  );
  // The first round fills the database's cache, as the first search of a day does.
  await timedCalls(calls.slice(0, searches.length));
  const times = await timedCalls(calls);
  return [p95('search over all clients', times, 150)];
}

/** A critique of three fixes as PDF: asked for, made beside the web server, and taken; asked again it is the same one. */
async function benchPdf(coach: Caller): Promise<Figure[]> {
  const { rows } = (await read(coach, 'GET', '/api/today')) as { rows: { id: string; clientName: string }[] };
  const requestId = rows.find(({ clientName }) => clientName.startsWith('Ilse'))!.id;
  const { doc, revision } = (await read(coach, 'POST', `/api/requests/${requestId}/critique/draft`)) as {
    doc: CritiqueDoc;
    revision: number;
  };
  const fix = doc.content.find((block) => block.type === 'fix')!;
  const third = { ...fix, attrs: { ...fix.attrs, fixId: crypto.randomUUID(), principleId: null } };
  const saved = (await read(coach, 'PUT', `/api/requests/${requestId}/critique`, {
    doc: { ...doc, content: [...doc.content, third] },
    revision,
  })) as { revision: number };
  const { id } = (await read(coach, 'POST', `/api/requests/${requestId}/critique/send`, saved)) as { id: string };
  const take = async () => {
    let made = (await read(coach, 'POST', `/api/critiques/${id}/exports`, { as: 'pdf' })) as ExportState;
    while (made.state === 'waiting') {
      await new Promise((resolve) => setTimeout(resolve, 20));
      made = (await read(coach, 'GET', `/api/critiques/${id}/exports/${made.id}`)) as ExportState;
    }
    return (await coach.ask('GET', `/api/critiques/${id}/exports/${made.id}/file`)).arrayBuffer();
  };
  const [first] = await timedCalls([take]);
  const times = await timedCalls(Array.from({ length: 5 }, () => take));
  return [{ figure: 'PDF of three fixes', value: first! / 1000, unit: 's', goal: 1.5, again: Math.round(quantile(times, 0.95)) / 1000 }];
}

/** What a coach opens all day: its calls, and what each of them may take, in milliseconds. */
const opened = [
  { name: 'Today', path: () => '/api/today', goal: 100 },
  { name: 'ladder', path: ({ requestId }: Opened) => `/api/requests/${requestId}/ladder`, goal: 100 },
  { name: 'plan of a client', path: ({ clientId }: Opened) => `/api/clients/${clientId}/work`, goal: 100 },
  { name: 'plans of the week', path: () => `/api/work-weeks/${new Date().toISOString().slice(0, 10)}`, goal: 200 },
];
interface Opened {
  requestId: string;
  clientId: string;
}

async function benchOpening(coach: Caller): Promise<Figure[]> {
  const { rows } = (await read(coach, 'GET', '/api/today')) as { rows: { id: string; clientId: string; clientName: string }[] };
  const { id: requestId, clientId } = rows.find(({ clientName }) => clientName.startsWith('Ilse'))!;
  const figures: Figure[] = [];
  for (const { name, path, goal } of opened) {
    const times = await timedCalls(Array.from({ length: 60 }, () => () => read(coach, 'GET', path({ requestId, clientId }))));
    figures.push(p95(name, times, goal));
  }
  return figures;
}

/** The same figures while a film is made ready that takes longer than all of them. */
async function whileMakingReady(coach: Caller, figuresOf: () => Promise<Figure[]>): Promise<Figure[]> {
  const folder = await mkdtemp(join(tmpdir(), 'lean-bench-'));
  try {
    const wen = await signInTo(base, 'wen');
    const bytes = await readFile(tenMinuteFilm(folder));
    const footage = await wen.openRequest(bytes.length, 'Ten minutes while others work');
    await wen.upload(footage, [bytes]);
    const stateNow = async (): Promise<string> => {
      const { footages } = (await read(coach, 'GET', `/api/requests/${footage.requestId}`)) as Request;
      return footages[0]!.state;
    };
    while ((await stateNow()) !== 'working') await new Promise((resolve) => setTimeout(resolve, 200));
    const figures = await figuresOf();
    if ((await stateNow()) !== 'working') throw new Error('The film was ready before all was measured.');
    await wen.ask('POST', `/api/requests/${footage.requestId}/withdraw`);
    return figures.map((figure) => ({ ...figure, figure: `while footage is made ready: ${figure.figure}` }));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const coach = await signInTo(base, 'marit');
await coach.quiet();
const inTurn = async (): Promise<Figure[]> => {
  const figures: Figure[] = [];
  for (const bench of [benchOpening, benchSearch, benchClientPage]) figures.push(...(await bench(coach)));
  return figures;
};
for (const figure of await inTurn()) say(figure);
for (const figure of await whileMakingReady(coach, inTurn)) say(figure);
for (const figure of await benchPdf(coach)) say(figure);
