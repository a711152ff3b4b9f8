import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { request as secureRequest } from 'node:https';
import type { IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { freePort, ownHouse } from './ownHouse.ts';
import { choose } from './sendFootage.ts';
import { launch, phone, visit } from './visit.ts';

const house = await ownHouse();
const [plain, secure] = [await freePort(), await freePort()];
const folder = mkdtempSync(join(tmpdir(), 'lean-e2e-proxy-'));
const name = 'localhost';
const base = `https://${name}:${secure}`;
// A page of the house, asked by name as people do.
const ada = { email: 'ada@harbour.example', password: '' };

/** The server blocks as docs/operations/tls.md gives them, on ports and with a certificate of this test. */
function siteFromThePage(): string {
  const page = readFileSync(join(house.root, 'docs', 'operations', 'tls.md'), 'utf8');
  const [, site] = /```nginx\n([\s\S]*?)```/.exec(page)!;
  return site!
    .replaceAll('mentor.example', name)
    .replace('listen 80;', `listen 127.0.0.1:${plain};`)
    .replace('listen 443 ssl http2;', `listen 127.0.0.1:${secure} ssl http2;`)
    .replaceAll(/^\s*listen \[::\].*$/gm, '')
    .replace('/etc/ssl/lean-mentor/chain.pem', join(folder, 'chain.pem'))
    .replace('/etc/ssl/lean-mentor/key.pem', join(folder, 'key.pem'))
    .replace('127.0.0.1:4170', new URL(house.base).host)
    .replace('https://$host$request_uri', `https://$host:${secure}$request_uri`);
}

let proxy: ChildProcess;
let started: ChildProcess;
let browser: Browser;
beforeAll(async () => {
  const made = spawnSync(
    'openssl',
    ['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:P-256', '-nodes', '-days', '2', '-subj', `/CN=${name}`].concat([
      ...['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'chain.pem')],
    ]),
  );
  expect(made.status).toBe(0);
  const folders = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((kind) => `${kind}_temp_path ${join(folder, kind)};`);
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; pid ${join(folder, 'pid')}; error_log ${join(folder, 'error.log')};
     events {} http { access_log off; ${folders.join(' ')} ${siteFromThePage()} }`,
  );
  const own = { ...house.env, LEAN_URL: base, LEAN_TRUSTED_PROXIES: '1' };
  started = (await house.start(own)).child;
  ada.password = house.account('client', 'Ada Moor', ada.email).stdout.trim().split(' ').at(-1)!;
  proxy = spawn('nginx', ['-p', folder, '-c', join(folder, 'nginx.conf')], {
    stdio: 'ignore',
    env: { ...process.env, PATH: `${process.env['PATH']}:/usr/sbin` },
  });
  await vi.waitFor(async () => expect((await ask(`${base}/api/ready`)).statusCode).toBe(200), { timeout: 180_000, interval: 200 });
  browser = await launch(undefined, undefined, true);
});
afterAll(async () => {
  await browser?.close();
  const gone = (child: ChildProcess | undefined) => new Promise((resolve) => (child ? child.once('exit', resolve) : resolve(null)));
  const ends = [gone(proxy), gone(started)];
  proxy?.kill('SIGTERM');
  started?.kill('SIGINT');
  await Promise.all(ends);
  for (const one of [folder, house.dataDir]) rmSync(one, { recursive: true, force: true });
});

/** Asks once, without following; the certificate is nobody's. */
const ask = (address: string): Promise<IncomingMessage> =>
  new Promise((resolve, reject) => {
    const by = address.startsWith('https:') ? secureRequest : request;
    by(address, { rejectUnauthorized: false }, (answer) => {
      answer.resume();
      resolve(answer);
    })
      .once('error', reject)
      .end();
  });

describe('behind nginx, set up as docs/operations/tls.md says', () => {
  it('plain HTTP leads to HTTPS, and browsers are told to stay with it', async () => {
    const first = await ask(`http://127.0.0.1:${plain}/send?x=1`);
    expect([first.statusCode, first.headers.location]).toEqual([301, `https://127.0.0.1:${secure}/send?x=1`]);
    const page = await ask(`${base}/api/session`);
    expect(page.headers['strict-transport-security']).toMatch(/max-age=31536000/);
  });

  it('somebody signs in by the form, sends a video through it, and hears of its progress as it is made ready', async () => {
    const file = join(folder, 'round.mp4');
    await writeBarcodeClip(file, { frames: 90, width: 320, height: 180, sound: true });
    const client = await visit(browser, base, ada, '/send', phone, { byHand: true });
    // Cookies go over HTTPS alone.
    const cookies = await client.page.browserContext().cookies();
    expect(cookies.map(({ name: of }) => of)).toContain('lean.sid');
    for (const cookie of cookies) expect(cookie).toMatchObject({ secure: true, httpOnly: true });
    await client.page.goto(`${base}/send`);
    await choose(client, file);
    const arrived = await client.page.evaluate(
      () =>
        new Promise<string[]>((resolve) => {
          const heard: string[] = [];
          const news = new EventSource('/api/footages/watch');
          const end = (): void => {
            news.close();
            resolve(heard);
          };
          news.onmessage = ({ data }) => {
            const { state } = JSON.parse(data as string) as { state: string };
            heard.push(state);
            if (state === 'ready') end();
          };
          setTimeout(end, 170_000);
        }),
    );
    // As it went on, not all at the end: what is made ready tells several steps.
    expect(arrived.at(-1)).toBe('ready');
    expect(arrived.length).toBeGreaterThan(1);
    expect(client.faults).toEqual([]);
  });
});
