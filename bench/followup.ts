import { looksOfSeries, retestTrend, type RetestSeries } from '@lean-mentor/core/followup';
import { drawsFrom, type Draws } from '@lean-mentor/core/statistics';
import { say } from './figure.ts';

/** Made-up clients a figure is drawn from: its standard error is two and a half hundredths at most. */
const clients = 400;
const tests = looksOfSeries + 1;

type Chances = Extract<RetestSeries, { kind: 'chance' }>['series'][number];
type Rates = Extract<RetestSeries, { kind: 'rate' }>['series'][number];

const chancesOf = (draws: Draws, chances: number, share: number): Chances => ({
  chances,
  successes: Array.from({ length: chances }).filter(() => draws.uniform() < share).length,
});
const rateOf = (draws: Draws, minutes: number, rate: number): Rates => ({
  exposureMinutes: minutes,
  mistakes: draws.poisson(rate * minutes),
});

/** Share of clients to whom "better" is said at any of the seven looks at eight retests; `each` makes a series of a client as it grows. */
function toldBetter(each: (test: number) => RetestSeries['series'][number], kind: RetestSeries['kind']): number {
  let told = 0;
  for (let client = 0; client < clients; client++) {
    const series: RetestSeries['series'][number][] = [];
    for (let test = 0; test < tests; test++) {
      series.push(each(test));
      if (retestTrend({ kind, series } as RetestSeries, test)?.verdict !== 'better') continue;
      told += 1;
      break;
    }
  }
  return told / clients;
}

/** From the first retest to the fourth failures go down to half, and stay there. */
const halved = (test: number): number => 1 - Math.min(test, 3) / 6;

const draws = drawsFrom(2026);
for (const chances of [8, 12, 20, 40]) {
  const failure = 0.6;
  const none = toldBetter(() => chancesOf(draws, chances, 1 - failure), 'chance');
  const half = toldBetter((test) => chancesOf(draws, chances, 1 - failure * halved(test)), 'chance');
  say({ figure: 'better said by luck over a year of retests', value: none, unit: 'share of clients', goal: 0.1, chances, clients });
  say({ figure: 'a halving of failures found over a year of retests', value: half, unit: 'share of clients', chances, clients });
}
for (const minutes of [5, 10, 20]) {
  const rate = 1;
  const none = toldBetter(() => rateOf(draws, minutes, rate), 'rate');
  const half = toldBetter((test) => rateOf(draws, minutes, rate * halved(test)), 'rate');
  say({ figure: 'better said by luck over a year of retests', value: none, unit: 'share of clients', goal: 0.1, minutes, rate, clients });
  say({ figure: 'a halving of a rate found over a year of retests', value: half, unit: 'share of clients', minutes, rate, clients });
}
