import { deskTimeFrom, orderPolicies, schedule, type WaitingReview, type WorkingHours } from '@lean-mentor/core/queue';
import type { Draft } from '@lean-mentor/contract';
import { type Caller, laptop, launch, signInTo, visit } from '@lean-mentor/e2e';
import { quantile, say, type Figure } from './figure.ts';
import { timed } from './scoring.ts';

const base = process.env['LEAN_BENCH_URL']!;
const waiting = 200;

const hours: WorkingHours = {
  zone: 'Europe/Berlin',
  weekly: [1, 2, 3, 4, 5].flatMap((day) => [
    { day, from: '09:00', to: '12:00' },
    { day, from: '13:00', to: '17:00' },
  ]),
  exceptions: [],
};

/** Sixty requests under one order and under all five, 2,000 draws each, in this process. */
function benchSchedule(): Figure[] {
  const nowAt = Date.parse('2026-11-30T08:00:00Z');
  const reviews = Array.from({ length: 60 }, (_, i): WaitingReview => ({
    ...{ id: `r${i}`, client: `c${i % 8}`, readyAt: nowAt - i * 3_600_000, dueAt: nowAt + ((i * 37) % 60) * 3_000_000 },
    ...{ planRank: 1 + (i % 3), weight: 1 + (i % 3), kind: i % 2 ? 'match' : 'sparring', boutMinutes: 4 + (i % 7) },
  }));
  const input = { reviews, hours, nowAt, deskTime: deskTimeFrom([]), seed: 1, runs: 2000 };
  const one = timed(12, () => schedule(input, ['due-first']));
  const all = timed(12, () => schedule(input, orderPolicies));
  return [
    { figure: 'schedule of 60 requests, one order, p95', value: quantile(one, 0.95), unit: 'ms', goal: 300, runs: 2000 },
    { figure: 'schedule of 60 requests, five orders compared, p95', value: quantile(all, 0.95), unit: 'ms', goal: 300, runs: 2000 },
  ];
}

const json = (body: unknown) => ({ body: JSON.stringify(body), headers: { 'content-type': 'application/json' } });

/** Times of calls one after another; the first ones warm up what is asked. */
async function times(many: number, act: () => Promise<unknown>): Promise<number[]> {
  for (let i = 0; i < 5; i++) await act();
  const took: number[] = [];
  for (let i = 0; i < many; i++) {
    const begun = performance.now();
    await act();
    took.push(performance.now() - begun);
  }
  return took;
}

async function benchCalls(coach: Caller, client: Caller, clientId: string): Promise<Figure[]> {
  const today = await times(60, async () => (await coach.ask('GET', '/api/today')).json());
  const draft = (await (await client.ask('POST', '/api/drafts', json({ clientId }))).json()) as Draft;
  const promise = await times(40, async () => (await client.ask('GET', `/api/requests/${draft.id}/promise`)).json());
  return [
    { figure: 'Today with 200 requests, answer of the server, p95', value: quantile(today, 0.95), unit: 'ms', goal: 100, waiting },
    { figure: 'promise at sending beside 200 requests, p95', value: quantile(promise, 0.95), unit: 'ms', goal: 200, waiting },
  ];
}

/** Today in a browser: until its first row is painted, and from the press of another order until its rows are. */
async function benchPage(): Promise<Figure[]> {
  const browser = await launch();
  try {
    const marit = await visit(browser, base, 'marit', '/letters', laptop);
    const { page } = marit;
    const painted: number[] = [];
    for (let i = 0; i < 9; i++) {
      await page.goto(`${base}/today`);
      await page.waitForSelector('[data-request]');
      painted.push(await page.evaluate(() => performance.now()));
    }
    // All five orders are there once each has its figures.
    await page.waitForFunction(() => ![...document.querySelectorAll('[data-policy]')].some((row) => row.textContent.includes('…')));
    const switched: number[] = [];
    for (const policy of ['shortest-first', 'plan-rank', 'fair-share', 'due-first', 'least-weighted-lateness', 'due-first'])
      switched.push(
        await page.evaluate(async (wanted) => {
          const row = document.querySelector<HTMLElement>(`[data-policy="${wanted}"]`)!;
          const begun = performance.now();
          row.click();
          while (row.getAttribute('data-state') !== 'checked') await new Promise(requestAnimationFrame);
          // Two frames on, what was drawn is on the screen.
          for (let frame = 0; frame < 2; frame++) await new Promise(requestAnimationFrame);
          return performance.now() - begun;
        }, policy),
      );
    return [
      { figure: 'Today with 200 requests, first row painted, p95', value: quantile(painted, 0.95), unit: 'ms', goal: 1000, waiting },
      { figure: 'another order seen, p95', value: quantile(switched, 0.95), unit: 'ms', goal: 150, waiting },
    ];
  } finally {
    await browser.close();
  }
}

const coach = await signInTo(base, 'marit');
const ilse = await signInTo(base, 'ilse');
await coach.quiet();
const { account } = (await (await ilse.ask('GET', '/api/session')).json()) as { account: { clients: { id: string }[] } };
for (const figure of [...benchSchedule(), ...(await benchCalls(coach, ilse, account.clients[0]!.id)), ...(await benchPage())]) say(figure);
