import { fork, spawn } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { oneDatabase } from './drillDatabases.mjs';
import { until } from './drillHouse.mjs';
import { beginSending, sendRest, visitHouse } from './drillVisitor.mjs';
import { freePort } from './freePort.mjs';
import { startHouse, stopHouse } from './house.mjs';
import { externalDatabase, root } from './settings.mjs';
import { findProgram } from './systemPackages.mjs';

/**
 * One practice on several machines, played on loopback: web servers behind a reverse proxy, jobs processes, a MariaDB and a store for
 * footage that none of them runs. While coaches edit and clients read, footage is sent and the database (`drillDatabases.mjs`) fails.
 */

/** The store for footage as a process; answers what its users are told. */
async function startStore(ends) {
  const store = fork(join(root, 'server', 'testing', 's3StandInMain.ts'), { execArgv: ['--import', 'tsx'], cwd: root, stdio: 'ignore' });
  ends.push(() => new Promise((resolve) => (store.once('exit', resolve), store.kill())));
  const s3 = await new Promise((resolve) => store.once('message', resolve));
  return {
    ...{ LEAN_S3_ENDPOINT: s3.endpoint, LEAN_S3_BUCKET: s3.bucket, LEAN_S3_REGION: s3.region },
    ...{ LEAN_S3_KEY: s3.accessKeyId, LEAN_S3_SECRET: s3.secretAccessKey },
  };
}

/** nginx in front of several web servers, each asked in turn. */
async function startProxy(folder, urls, ends) {
  const port = await freePort();
  const temps = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map((kind) => `${kind}_temp_path ${join(folder, kind)};`).join(' ');
  const servers = urls.map((url) => `server ${new URL(url).host};`).join(' ');
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; pid ${join(folder, 'pid')}; error_log ${join(folder, 'error.log')}; events {}
     http { access_log off; ${temps} upstream house { ${servers} keepalive 32; }
       server { listen 127.0.0.1:${port}; client_max_body_size 0; proxy_request_buffering off; proxy_buffering off;
         location / { proxy_pass http://house; proxy_http_version 1.1; proxy_set_header Connection ""; proxy_set_header Host $host;
           proxy_set_header X-Forwarded-For $remote_addr; proxy_set_header X-Forwarded-Proto $scheme; } } }`,
  );
  const proxy = spawn(findProgram('nginx'), ['-p', folder, '-c', join(folder, 'nginx.conf')], { stdio: 'ignore' });
  ends.push(() => new Promise((resolve) => (proxy.once('exit', resolve), proxy.kill('SIGTERM'))));
  return `http://127.0.0.1:${port}`;
}

/** So long at most, in ms, whoever edits or sends tries the same again. */
const insistMs = 180_000;

/** Asks until it is taken, as a page does, which sends anew what was refused while the database was away. */
async function insist(over, ask) {
  for (const end = Date.now() + insistMs; ;) {
    const answer = await ask();
    if (answer.status >= 200 && answer.status < 300) return answer;
    if (over.aborted || Date.now() > end) throw new Error(`was not taken to the end: ${answer.status} ${answer.text.slice(0, 100)}`);
    await sleep(150);
  }
}

/** Sends a file as a client's page does, and goes on where it stopped; answers the footage's id. */
async function sendFootage(client, bytes, over) {
  const { footageId, at } = await beginSending(client, bytes, (...asked) => insist(over, () => client.ask(...asked)));
  if (await sendRest(client, at, bytes, 400_000, insistMs)) return footageId;
  throw new Error('a video of few megabytes did not arrive piece by piece');
}

/** What a page on one server hears of a footage's progress; `stop` ends it. */
function listen(base, client) {
  const heard = [];
  const stop = new AbortController();
  const hearing = (async () => {
    const answer = await fetch(`${base}/api/footages/watch`, { headers: { cookie: client.cookies() }, signal: stop.signal });
    for await (const piece of answer.body) heard.push(Buffer.from(piece).toString());
  })().catch(() => undefined);
  return { words: () => heard.join(''), stop: () => (stop.abort(), hearing) };
}

/** Edits as a page does: what was not taken is sent again, as the same change. Answers the ids of what was made. */
async function editing(coach, request, going, over) {
  const made = [];
  for (let n = 0; going(); n++) {
    const id = randomUUID();
    const after = { id, footageId: request.footages[0].id, atFrame: n % 100, toFrame: null, state: 'open' };
    const changes = [{ changeId: randomUUID(), entity: 'mark', id, before: null, after }];
    await insist(over, () => coach.ask('POST', `/api/requests/${request.id}/desk/changes`, { changes, since: 1e9 }));
    made.push(id);
  }
  return made;
}

/** Reads as a client does; answers what was answered otherwise than with what was asked for, or with a word that it is away just now. */
async function reading(client, going) {
  const wrong = [];
  while (going()) {
    for (const path of ['/api/drafts', `/api/clients/${client.account.clients[0].id}/history`]) {
      const { status, text } = await client.ask('GET', path);
      // 503: the database is being started again, and pages ask once more.
      if (status !== 200 && status !== 503) wrong.push(`${path}: ${status} ${text.slice(0, 100)}`);
    }
    await sleep(200);
  }
  return wrong;
}

/** One sign-in is good on every server, and so is its end; answers what is otherwise. */
async function signInIsShared(here, there) {
  const visitor = await visitHouse(here, 'bram@skerrow.example');
  const elsewhere = () => fetch(`${there}/api/drafts`, { headers: { cookie: visitor.cookies() } }).then(({ status }) => status);
  if ((await elsewhere()) !== 200) return 'a sign-in at one server was not known at another';
  await visitor.ask('DELETE', '/api/session');
  return (await elsewhere()) === 401 ? null : 'a sign-out at one server was not known at another';
}

/** Everybody goes on for so long at least after the database is mended, in ms. */
const afterwardsMs = 4000;

const clientsOfTheDemo = ['ilse', 'bram', 'odalys', 'noor'];

/** Runs it; answers null where all of it held, else what did not. */
export async function manyServers({ servers, jobs, coaches, readers, seconds, database: startDatabases = oneDatabase }) {
  const folder = mkdtempSync(join(tmpdir(), 'lean-many-'));
  // Each machine's own folder in it is its own user's only.
  chmodSync(folder, 0o755);
  const [ends, running, before, over] = [[], [], { ...process.env }, new AbortController()];
  const at = (name) => join(folder, name);
  try {
    const password = randomBytes(12).toString('base64url');
    const database = await startDatabases({ folder: at('databases'), password, ends });
    Object.assign(process.env, await startStore(ends), database.settings, {
      LEAN_SECRET: randomBytes(24).toString('base64url'),
      LEAN_TRUSTED_PROXIES: '1',
    });
    const machine = async (name, parts) =>
      startHouse(
        {
          ...{ port: await freePort(), databasePort: 0, dataDir: at(name), parts, database: externalDatabase() },
          ...{ demo: parts.includes('server'), demoClips: ['ilse-harbour-round'] },
        },
        { say: () => undefined, running },
      );
    const urls = [];
    for (let n = 0; n < servers; n++) urls.push((await machine(`server-${n}`, ['server'])).url);
    await Promise.all(Array.from({ length: jobs }, (_, n) => machine(`jobs-${n}`, ['jobs'])));
    const proxy = await startProxy(folder, urls, ends);
    if (!(await until(async () => (await fetch(`${proxy}/api/ready`).catch(() => null))?.status === 200, 80_000)))
      return 'the proxy did not come up';

    const [first, last] = [urls[0], urls.at(-1)];
    const apart = await signInIsShared(first, last);
    if (apart) return apart;
    const ilse = await visitHouse(first, 'ilse@skerrow.example');
    const hearing = listen(last, ilse);
    const clip = readFileSync(join(root, 'demo', 'clips', 'ilse-harbour-round.mp4'));
    const desks = [];
    for (let n = 0; n < coaches; n++) desks.push(await visitHouse(proxy, 'marit@skerrow.example'));
    const pages = [];
    for (let n = 0; n < readers; n++)
      pages.push(await visitHouse(proxy, `${clientsOfTheDemo[n % clientsOfTheDemo.length]}@skerrow.example`));
    const request = (await desks[0].ask('GET', '/api/requests')).json.requests.find(({ footages }) => footages.length > 0);
    const marksNow = async () => Object.keys((await desks[0].ask('GET', `/api/requests/${request.id}/desk`)).json.document.marks);
    const marksBefore = await marksNow();

    let end = Date.now() + seconds * 1000;
    let mended = false;
    const going = () => !over.signal.aborted && (!mended || Date.now() < end);
    const work = Promise.all([
      Promise.all(desks.map((coach) => editing(coach, request, going, over.signal))),
      Promise.all(pages.map((client) => reading(client, going))),
      sendFootage(await visitHouse(proxy, 'ilse@skerrow.example'), clip, over.signal),
    ]);
    // Where the drill ends before them, their end is nobody's news.
    work.catch(() => undefined);
    await sleep((seconds * 1000) / 3);
    await database.fail();
    mended = true;
    end = Math.max(end, Date.now() + afterwardsMs);
    const [made, wrong, footageId] = await work;

    if (wrong.flat().length > 0) return `read otherwise than it should be: ${wrong.flat().slice(0, 3).join('; ')}`;
    const expected = [...marksBefore, ...made.flat()].sort();
    const there = (await marksNow()).sort();
    if (JSON.stringify(there) !== JSON.stringify(expected))
      return `${made.flat().length} marks were made, ${there.length - marksBefore.length} are there`;
    const stateOf = async () => {
      const drafts = (await ilse.ask('GET', '/api/drafts')).json?.drafts ?? [];
      return drafts.flatMap(({ footages }) => footages).find(({ id }) => id === footageId)?.state;
    };
    // Whoever makes it ready stands back behind everybody else: on a machine that has much else to do it takes minutes.
    if (!(await until(async () => (await stateOf()) === 'ready', 480_000))) return `footage is ${await stateOf()}, not ready`;
    if (!(await until(() => hearing.words().includes(footageId) && hearing.words().includes('"ready"'), 10_000)))
      return 'a page at another server heard nothing of it';
    await hearing.stop();
    return await database.check();
  } finally {
    over.abort();
    await stopHouse(running);
    for (const one of ends.reverse()) await one();
    for (const name of Object.keys(process.env)) if (!(name in before)) delete process.env[name];
    Object.assign(process.env, before);
    rmSync(folder, { recursive: true, force: true });
  }
}
