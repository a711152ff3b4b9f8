import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../app.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit } from '../testing/visitor.ts';

const { house } = peopledHouse('coach');
let folder: string;
let open: OpenApp;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-assets-'));
  await mkdir(join(folder, 'assets'));
  await writeFile(join(folder, 'assets', 'page-1.js'), 'const words = "the same again and again";\n'.repeat(200));
  house.config.webDir = folder;
  open = createApp(house);
});
afterAll(async () => {
  open.close();
  await rm(folder, { recursive: true });
});

describe('what a page is made of', () => {
  it('goes out small and is kept for a year; what is answered to somebody is never made small', async () => {
    const visitor = await visit(open.app, null);
    const asset = await visitor.ask('get', '/assets/page-1.js').set('Accept-Encoding', 'gzip');
    expect([asset.status, asset.headers['content-encoding']]).toEqual([200, 'gzip']);
    expect(asset.headers['cache-control']).toContain('immutable');
    const coach = await visit(open.app, 'coach');
    const answer = await coach.ask('get', '/api/requests').set('Accept-Encoding', 'gzip');
    expect([answer.status, answer.headers['content-encoding']]).toEqual([200, undefined]);
  });
});
