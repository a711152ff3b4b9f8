import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestHouse, type TestHouse } from './testHouse.ts';
import { liveDays } from './year.ts';
import { accountFor } from './yearAccount.ts';

let house: TestHouse;
beforeAll(async () => void (house = await openTestHouse()));
afterAll(() => house.close());

// `npm run drill -- year` lives a whole year of 200 clients.
describe('half a year of a practice', () => {
  it('with requests, critiques, plans, people who are forgotten and connections that are cut ends with every row and file accounted for', async () => {
    const ledger = await liveDays(house, { clients: 12, days: 185, seed: 5 });
    expect(await accountFor(house, ledger)).toEqual([]);
    // It was no quiet half year.
    expect(ledger.forgotten.size).toBeGreaterThan(0);
    expect(ledger.restarts).toBeGreaterThan(5);
    expect(ledger.sent.size).toBeGreaterThan(40);
    expect(ledger.invoices.size).toBeGreaterThan(20);
  });
});
