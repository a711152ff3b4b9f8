import { readFile } from 'node:fs/promises';
import { setTimeout as sleep } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import type { ExportState, Request } from '@lean-mentor/contract';
import { signInTo, type Caller } from '@lean-mentor/e2e';
import { quantile, type Figure } from './figure.ts';
import { memoryOf } from './processes.ts';

const clip = fileURLToPath(new URL('../demo/clips/ilse-harbour-round.mp4', import.meta.url));
const readers = 100;
const readSeconds = 30;
/** A reader opens a critique about so often, in ms: far more often than anybody reads. */
const betweenMs = 1500;
/** The server's memory is looked at from the first minute on, over and over, for so long, in seconds. */
const watchedSeconds = 90;
const exportsAtOnce = 20;

const json = (value: unknown) => ({ body: JSON.stringify(value), headers: { 'content-type': 'application/json' } });

/** A critique of a client whose footage is ready, sent from what the demo's desk holds. Answers its id. */
async function sentCritique(coach: Caller): Promise<string> {
  const { requests } = (await (await coach.ask('GET', '/api/requests')).json()) as { requests: Request[] };
  const request = requests.find(({ state, footages }) => state === 'waiting' && footages.some((footage) => footage.state === 'ready'))!;
  const { revision } = (await (await coach.ask('POST', `/api/requests/${request.id}/critique/draft`)).json()) as { revision: number };
  const sent = await coach.ask('POST', `/api/requests/${request.id}/critique/send`, json({ revision }));
  return ((await sent.json()) as { id: string }).id;
}

/** A hundred people read a critique, over and over, while footage is made ready beside them. */
async function benchReaders(coach: Caller, client: Caller, critiqueId: string): Promise<Figure[]> {
  const callers: Caller[] = [];
  for (let i = 0; i < readers; i++) callers.push(await signInTo(coach.base, 'ilse'));
  const bytes = await readFile(clip);
  const footages = [];
  for (let i = 0; i < 2; i++) {
    const footage = await client.openRequest(bytes.length, `Who reads meanwhile, ${i}?`);
    await client.upload(footage, [bytes]);
    footages.push(footage);
  }
  const times: number[] = [];
  const memory: number[] = [];
  const began = performance.now();
  const passed = (): number => (performance.now() - began) / 1000;
  const read = async (caller: Caller, i: number, until: number): Promise<void> => {
    await sleep((i * betweenMs) / readers);
    while (passed() < until) {
      const at = performance.now();
      await (await caller.ask('GET', `/api/critiques/${critiqueId}`)).arrayBuffer();
      if (passed() < readSeconds) times.push(performance.now() - at);
      await sleep(betweenMs);
    }
  };
  const watch = async (): Promise<void> => {
    while (passed() < 60 + watchedSeconds) {
      if (passed() >= 60) memory.push(memoryOf(coach.base, 'server/main.mjs').now);
      await sleep(3000);
    }
  };
  await Promise.all([watch(), ...callers.map((caller, i) => read(caller, i, 60 + watchedSeconds))]);
  for (const { id } of footages) await client.settled(id);
  const third = Math.floor(memory.length / 3);
  const mean = (values: number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  return [
    {
      figure: 'critique while footage is made ready, 100 readers, p95',
      value: quantile(times, 0.95),
      unit: 'ms',
      goal: 400,
      calls: times.length,
      middle: Math.round(quantile(times, 0.5)),
    },
    {
      figure: 'server memory after the first minute, last third ÷ first third',
      value: mean(memory.slice(-third)) / mean(memory.slice(0, third)),
      unit: 'ratio',
      goal: 1.05,
      megabytes: memory.at(-1) ?? 0,
    },
  ];
}

/** Twenty people want the PDF at once: each is told its place until it is there, and none fails. */
async function benchExports(coach: Caller, critiqueId: string): Promise<Figure[]> {
  const callers: Caller[] = [];
  for (let i = 0; i < exportsAtOnce; i++) callers.push(await signInTo(coach.base, i % 2 === 0 ? 'ilse' : 'marit'));
  const begun = performance.now();
  const places = new Set<number>();
  // Every one is of a form of its own kind or person's: the same one would be made once.
  const forms = ['pdf', 'docx', 'zip', 'md', 'json'] as const;
  const done = await Promise.all(
    callers.map(async (caller, i) => {
      const asked = await caller.ask(
        'POST',
        `/api/critiques/${critiqueId}/exports`,
        json({ as: i < 2 ? 'pdf' : forms[i % forms.length]! }),
      );
      let now = (await asked.json()) as ExportState;
      while (now.state === 'waiting') {
        if (now.place !== null) places.add(now.place);
        await sleep(200);
        now = (await (await caller.ask('GET', `/api/critiques/${critiqueId}/exports/${now.id}`)).json()) as ExportState;
      }
      const file = await (await caller.ask('GET', `/api/critiques/${critiqueId}/exports/${now.id}/file`)).arrayBuffer();
      return now.state === 'ready' && file.byteLength > 100;
    }),
  );
  const failed = done.filter((fine) => !fine).length;
  return [
    { figure: `${exportsAtOnce} exports at once, failed`, value: failed, unit: 'exports', goal: 0, places: Math.max(0, ...places) },
    { figure: `${exportsAtOnce} exports at once, until the last is there`, value: (performance.now() - begun) / 1000, unit: 's' },
  ];
}

/** Many at once: readers beside footage that is made ready, and exports. */
export async function benchMany(base: string, client: Caller): Promise<Figure[]> {
  const coach = await signInTo(base, 'marit');
  const critiqueId = await sentCritique(coach);
  return [...(await benchExports(coach, critiqueId)), ...(await benchReaders(coach, client, critiqueId))];
}
