import { beforeAll, expect, it } from 'vitest';
import { putStarterBookOnce } from '../features/book/index.ts';
import { createApp } from '../app.ts';
import { peopledHouse } from './peopledHouse.ts';
import { visit } from './visitor.ts';
import { fillPractice } from './fillPractice.ts';

const { house } = peopledHouse();
beforeAll(async () => {
  await putStarterBookOnce(house);
});

it('a filled practice is one that the pages can read: history, progress and search', async () => {
  await fillPractice(house, { clients: 4, requests: 12, notes: 240, waiting: 0 });
  const open = createApp(house);
  const coach = await visit(open.app, 'coach');
  const { clients } = (await coach.ask('get', '/api/clients')).body;
  const { id } = clients.find(({ name }: { name: string }) => name === 'Client 2');
  const history = (await coach.ask('get', `/api/clients/${id}/history`)).body;
  expect([history.requests.length, history.critiques.length, history.critiques[0].fixes.length]).toEqual([3, 3, 2]);
  const progress = (await coach.ask('get', `/api/clients/${id}/progress`)).body;
  expect(progress.positions.map(({ minutes }: { minutes: number }) => minutes)).toEqual([5, 5, 5]);
  expect(progress.threads.length).toBeGreaterThan(2);
  expect((await coach.ask('post', '/api/search', { words: 'elbow', clientId: id })).body.found.length).toBeGreaterThan(0);
  open.close();
});
