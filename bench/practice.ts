import type { ExportState } from '@lean-mentor/contract';
import type { CritiqueDoc } from '@lean-mentor/core/critique';
import { signInTo, type Caller } from '@lean-mentor/e2e';
import { quantile, say, type Figure } from './figure.ts';

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
  return [
    { figure: 'client page history, p95', value: quantile(history, 0.95), unit: 'ms', goal: 80, clients, requests, notes },
    { figure: 'client page progress, p95', value: quantile(progress, 0.95), unit: 'ms', goal: 80, clients, requests, notes },
  ];
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
  return [
    {
      figure: 'search over all clients, p95',
      value: quantile(times, 0.95),
      unit: 'ms',
      goal: 150,
      middle: Math.round(quantile(times, 0.5)),
      notes,
    },
  ];
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

const coach = await signInTo(base, 'marit');
await coach.quiet();
for (const bench of [benchSearch, benchClientPage, benchPdf]) for (const figure of await bench(coach)) say(figure);
