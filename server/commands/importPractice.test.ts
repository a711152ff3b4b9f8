import { fileURLToPath } from 'node:url';
import type { Invoice } from '@lean-mentor/contract';
import { demoPractice, demoPassword } from '@lean-mentor/demo';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { createApp } from '../app.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { importPractice } from './importPractice.ts';

const clips = fileURLToPath(new URL('../../demo/clips/practice.json', import.meta.url));
let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse();
});
afterAll(() => house.close());

describe('loading the demo practice', () => {
  it('can be begun again after it was cut off, and then holds everything once', async () => {
    const practice = demoPractice(new Date());
    const cut = vi.spyOn(house.db.critiques, 'upsert').mockRejectedValueOnce(new Error('the power went'));
    await expect(importPractice(house, practice, clips)).rejects.toThrow('the power went');
    cut.mockRestore();
    await importPractice(house, practice, clips);
    expect(await house.db.accounts.count()).toBe(practice.accounts.length);
    expect(await house.db.clients.count()).toBe(8);
    expect(await house.db.requests.count()).toBe(practice.requests.length);
    const there = practice.requests.flatMap(({ footages }) => footages).filter(({ file }) => file !== null);
    expect(await house.db.jobs.count({ where: { kind: 'make-ready', state: 'waiting' } })).toBe(there.length);
    const spoken = practice.requests.flatMap(({ recordings }) => recordings);
    expect(await house.db.takes.count({ where: { state: 'waiting' } })).toBe(spoken.length);
  });

  it('shows the coach twelve requests of eight clients with three plans, promised first, and the sent critique with its fixes at their moments', async () => {
    const open = createApp(house);
    const supertest = (await import('supertest')).default.agent(open.app);
    const token = (await supertest.get('/api/session')).body.token as string;
    await supertest
      .post('/api/session')
      .set('x-lean-token', token)
      .send({ email: 'marit@skerrow.example', password: demoPassword })
      .expect(200);
    const { rows } = (await supertest.get('/api/today')).body;
    expect(rows).toHaveLength(12);
    expect(new Set(rows.map((r: { clientName: string }) => r.clientName)).size).toBe(8);
    expect(new Set(rows.map((r: { planName: string }) => r.planName))).toEqual(new Set(['Close', 'Steady', 'Now and then']));
    // One promise was broken an hour ago, the next is at risk.
    const now = Date.now();
    const due = rows.map((r: { dueAt: string }) => (Date.parse(r.dueAt) - now) / 3_600_000);
    expect(due[0]).toBeCloseTo(-1, 0);
    expect(due.slice(1).every((hours: number, i: number) => hours > 0 && hours >= due[i])).toBe(true);
    const bram = demoPractice(new Date()).requests.find((r) => r.critique && r.footages[0]!.file)!;
    const critique = (await supertest.get(`/api/critiques/${bram.critique!.id}`)).body;
    expect(critique.fixes.map((fix: { name: string }) => fix.name)).toEqual(['Low in mount when they bridge', 'Hooks carry, hands steer']);
    expect(
      critique.moments.map((one: { atSeconds: number; note: { fromFrame: number } }) => [
        one.note.fromFrame,
        Math.round(one.atSeconds * 30),
      ]),
    ).toEqual([
      [452, 452],
      [636, 636],
      [1290, 1290],
    ]);
    const { invoices } = (await supertest.get('/api/money')).body as { invoices: Invoice[] };
    expect(invoices.map(({ number }) => number).reverse()).toEqual(invoices.map((_, i) => i + 1));
    expect(invoices.filter(({ state }) => state === 'late').map(({ recipient }) => recipient)).toEqual(['Ruben Castellane']);
    expect(rows.filter((r: { paymentLate: boolean }) => r.paymentLate).map((r: { clientName: string }) => r.clientName)).toEqual([
      'Ruben Castellane',
    ]);
    expect(invoices.map(({ recipient }) => recipient)).toContain('Saga Lund (for Teo Abara-Lund)');
    open.close();
  });

  it('refuses a practice whose spans leave a gap, saying where', async () => {
    const practice = demoPractice(new Date());
    practice.requests[0]!.footages[0]!.bouts[0]!.spans[2]!.fromFrame += 5;
    await expect(importPractice(house, practice, clips)).rejects.toThrow(/mp4: spans\[2\] starts at frame \d+; frame \d+ is expected\./);
  });
});
