import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, rmSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { backupUnderEdits } from './backupUnderEdits.mjs';
import { buildWeb } from './build.mjs';
import { startDatabase } from './database.mjs';
import { clusterOfThree, databaseWithCopy } from './drillDatabases.mjs';
import { folder, inHouse, until } from './drillHouse.mjs';
import { beginSending, sendPiece, sendRest, visitHouse } from './drillVisitor.mjs';
import { forgottenBytes } from './forgottenBytes.mjs';
import { freePort } from './freePort.mjs';
import { manyServers } from './manyServers.mjs';
import { ensureNodeModules } from './nodeModules.mjs';
import { reportFault } from './plainFault.mjs';
import { houseIdentity } from './privileges.mjs';
import { houseEnvironment, readSecrets, root } from './settings.mjs';
import { ensurePrograms } from './systemPackages.mjs';
import openTestDatabase from './testDatabase.mjs';

/**
 * `npm run drill`: what a failing machine does to a house, and whether it holds. On loopback, in folders of its own. The last line says
 * what held.
 */

const megabyte = 1024 ** 2;
const held = [];

/** Runs a drill; what it answers, or why it failed, is said. */
async function drill(name, run) {
  const begun = Date.now();
  let why;
  try {
    why = await run();
  } catch (error) {
    why = error instanceof Error ? (error.stack ?? error.message) : String(error);
  }
  const seconds = ((Date.now() - begun) / 1000).toFixed(1);
  held.push({ name, holds: why === null });
  console.log(`${why === null ? 'holds' : 'FAILS'}  ${name} (${seconds} s)${why === null ? '' : `: ${why}`}`);
}

const isUp = async (house) => (await fetch(`${house.url}/api/ready`).catch(() => null))?.status === 200;

const newMark = (footageId, atFrame) => {
  const id = randomUUID();
  return { changeId: randomUUID(), entity: 'mark', id, before: null, after: { id, footageId, atFrame, toFrame: null, state: 'open' } };
};

/** Kills every part in turn, several times, while a coach goes on marking: an edit that was not taken is sent again, as the page does. */
async function kills() {
  const dataDir = folder();
  try {
    return await inHouse(dataDir, {}, async (house, said) => {
      const coach = await visitHouse(house.url, 'marit@skerrow.example');
      const request = (await coach.ask('GET', '/api/requests')).json.requests.find(({ footages }) => footages.length > 0);
      const footageId = request.footages[0].id;
      const before = Object.keys((await coach.ask('GET', `/api/requests/${request.id}/desk`)).json.document.marks).length;
      let made = 0;
      let going = true;
      const marking = (async () => {
        while (going) {
          const change = newMark(footageId, made % 100);
          while ((await coach.ask('POST', `/api/requests/${request.id}/desk/changes`, { changes: [change], since: 1e9 })).status !== 200)
            await sleep(150);
          made += 1;
        }
      })();
      for (let round = 0; round < 2; round++)
        for (const part of ['server', 'jobs', 'database']) {
          const { pid } = house.parts[part].current();
          process.kill(pid, 'SIGKILL');
          if (!(await until(async () => house.parts[part].current()?.pid !== undefined && house.parts[part].current().pid !== pid)))
            return `${part} did not come back`;
          if (!(await until(() => isUp(house)))) return `the house was not ready after ${part} was killed`;
          await sleep(1500);
        }
      going = false;
      await marking;
      const after = Object.keys((await coach.ask('GET', `/api/requests/${request.id}/desk`)).json.document.marks).length;
      if (after - before !== made) return `${made} marks were made, ${after - before} are there`;
      if (said.filter((words) => words.includes('ended by itself')).length < 6) return 'not every end was said';
      return null;
    });
  } finally {
    rmSync(dataDir, { recursive: true, force: true });
  }
}

/** Fills the disk under a house to the brim: reading goes on, what is new is refused in words, and once there is room all goes on. */
async function fullDisk() {
  const at = folder();
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=900m,mode=755', 'tmpfs', at]).status !== 0)
    return 'a small disk could not be mounted; run this as root';
  const ballast = join(at, 'ballast');
  process.env.LEAN_SPARE_MB = '128';
  try {
    return await inHouse(join(at, 'data'), {}, async (house) => {
      const coach = await visitHouse(house.url, 'marit@skerrow.example');
      const client = await visitHouse(house.url, 'ilse@skerrow.example');
      const request = (await coach.ask('GET', '/api/requests')).json.requests.find(({ footages }) => footages.length > 0);
      const save = (changes) => coach.ask('POST', `/api/requests/${request.id}/desk/changes`, { changes, since: 1e9 });
      await until(() => existsSync(join(at, 'data', 'reserve')));
      const draft = (await client.ask('POST', '/api/drafts', { clientId: client.account.clients[0].id })).json;
      const ofClient = ['history', 'progress', 'work', 'bouts'].map((room) => `/api/clients/${request.clientId}/${room}`);
      const ofRequest = ['desk', 'ladder'].map((room) => `/api/requests/${request.id}/${room}`);
      const reads = ['/api/requests', '/api/today', '/api/health', '/api/clients', ...ofRequest, ...ofClient];
      // Everything but a little is taken by somebody else, then the little too.
      spawnSync('fallocate', ['-l', String(statfsSync(at).bavail * statfsSync(at).bsize - 2 * megabyte), ballast]);
      for (let i = 0; i < 40; i++) await save([newMark(request.footages[0].id, i)]);
      spawnSync('dd', ['if=/dev/zero', `of=${ballast}.2`, 'bs=1M'], { stdio: 'ignore' });
      for (let round = 0; round < 10; round++) {
        for (const path of reads) {
          const answer = await coach.ask('GET', path);
          if (answer.status !== 200) return `reading ${path} on a full disk answered ${answer.status} ${answer.text.slice(0, 120)}`;
        }
        const refused = await client.ask('POST', `/api/requests/${draft.id}/footages`, { fileName: 'a.mp4', byteSize: 5e7 });
        if (refused.status !== 507 || refused.json.code !== 'no-room')
          return `a file was announced on a full disk: ${refused.status} ${refused.text.slice(0, 120)}`;
        if ((await save([newMark(request.footages[0].id, 1)])).json?.code !== 'no-room') return 'a mark was not refused as having no room';
        await sleep(300);
      }
      rmSync(ballast, { force: true });
      rmSync(`${ballast}.2`, { force: true });
      if (!(await until(async () => (await save([newMark(request.footages[0].id, 2)])).status === 200)))
        return 'nothing could be saved once there was room';
      const taken = await client.ask('POST', `/api/requests/${draft.id}/footages`, { fileName: 'a.mp4', byteSize: 5e7 });
      if (taken.status !== 200) return `a file was refused once there was room: ${taken.status} ${taken.text.slice(0, 120)}`;
      const ready = async () => (await coach.ask('GET', `/api/requests/${request.id}`)).json.footages[0].state === 'ready';
      if (!(await until(ready, 240_000))) return 'footage was not made ready once there was room';
      return (await until(() => existsSync(join(at, 'data', 'reserve')))) ? null : 'the reserve was not laid aside again';
    });
  } finally {
    delete process.env.LEAN_SPARE_MB;
    spawnSync('umount', [at]);
    rmSync(at, { recursive: true, force: true });
  }
}

/** Kills the process that migrates a new house at a growing number of moments: the last one finishes, and the house is whole. */
async function cutMigrations() {
  const dataDir = folder();
  const identity = houseIdentity(root, dataDir);
  const port = await freePort();
  const secrets = readSecrets(dataDir);
  const database = await startDatabase({ folder: dataDir, port, password: secrets.databasePassword, identity });
  try {
    const env = houseEnvironment({ port: 0, host: '127.0.0.1', databasePort: port, dataDir, demo: false }, secrets);
    const prepare = () =>
      spawn(process.execPath, ['--import', 'tsx', 'server/commands/prepare.ts'], {
        ...identity,
        cwd: root,
        env,
        stdio: ['ignore', 'ignore', 'pipe'],
      });
    let cuts = 0;
    // A busy machine takes longer to come to its end: the steps grow, so that it is reached all the same.
    for (let ms = 1200; ; ms += Math.max(60, ms / 50)) {
      const child = prepare();
      let said = '';
      child.stderr.on('data', (piece) => (said += piece));
      const end = new Promise((resolve) => child.once('exit', resolve));
      const cut = setTimeout(() => child.kill('SIGKILL'), ms);
      const code = await end;
      clearTimeout(cut);
      if (code === 0) break;
      if (code !== null) return `after ${cuts} cuts it failed by itself: ${said.slice(0, 300)}`;
      cuts += 1;
      if (cuts > 150) return 'it never came to its end';
    }
    const again = prepare();
    const code = await new Promise((resolve) => again.once('exit', resolve));
    return code === 0 && cuts > 3 ? null : `${cuts} cuts, then ${code}`;
  } finally {
    await database.stop();
    rmSync(dataDir, { recursive: true, force: true });
  }
}

/** Kills the web server just as the last byte of a file comes in, again and again: none of them stays on its way. */
async function killedUploads() {
  const dataDir = folder();
  try {
    return await inHouse(dataDir, { demoClips: ['ilse-harbour-round'] }, async (house) => {
      const client = await visitHouse(house.url, 'ilse@skerrow.example');
      for (let round = 0; round < 6; round++) {
        const bytes = Buffer.alloc(3 * megabyte, round);
        const { draftId, at } = await beginSending(client, bytes);
        const sending = sendPiece(client, at, bytes, 0, bytes.length);
        await sleep(5 + round * 12);
        const { pid } = house.parts.server.current();
        process.kill(pid, 'SIGKILL');
        await sending;
        if (!(await until(async () => house.parts.server.current()?.pid !== pid && (await isUp(house)))))
          return 'the web server did not come back';
        await sendRest(client, at, bytes, bytes.length, 20_000);
        const [now] = (await client.ask('GET', '/api/drafts')).json.drafts.find(({ id }) => id === draftId).footages;
        if (now.state === 'uploading') return `round ${round}: it is still on its way`;
      }
      return null;
    });
  } finally {
    rmSync(dataDir, { recursive: true, force: true });
  }
}

/** A year of 200 clients in simulated time, whose every row and file is accounted for at the end. */
async function year() {
  const close = await openTestDatabase();
  try {
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/testing/yearMain.ts', '200', '365', '20'], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let [said, told] = ['', ''];
    child.stdout.on('data', (piece) => (said += piece));
    child.stderr.on('data', (piece) => (told += piece));
    if ((await new Promise((resolve) => child.once('close', resolve))) !== 0) return told.slice(-600);
    console.log(`       ${said.trim()}`);
    const { faults } = JSON.parse(said.trim().split('\n').at(-1));
    return faults.length === 0 ? null : faults.join('; ');
  } finally {
    await close();
  }
}

try {
  ensurePrograms(['mariadbd', 'mariadb-install-db', 'ffmpeg', 'ffprobe', 'prlimit', 'nginx', 'mariadb-dump', 'mariadb'], console.log);
  ensureNodeModules(root, console.log);
  buildWeb(root, console.log);
  const drills = {
    'every part killed in turn while a coach works': kills,
    'a disk filled to the brim, and room again': fullDisk,
    'migrations cut off by a kill, anywhere': cutMigrations,
    'the web server killed as the last byte comes in': killedUploads,
    'a backup while a coach works, brought back': backupUnderEdits,
    'a client forgotten, and every byte searched for them': forgottenBytes,
    'a year of 200 clients, every row accounted for': year,
    'two web servers behind a proxy, three jobs processes, the database stopped meanwhile': () =>
      manyServers({ servers: 2, jobs: 3, coaches: 10, readers: 100, seconds: 30 }),
    'the same over a database with a copy that follows, the copy killed meanwhile': () =>
      manyServers({ servers: 2, jobs: 2, coaches: 5, readers: 30, seconds: 20, database: databaseWithCopy }),
    'the same over a cluster of three, the member that is written to killed meanwhile': () =>
      manyServers({ servers: 2, jobs: 2, coaches: 5, readers: 30, seconds: 40, database: clusterOfThree }),
  };
  for (const [name, run] of Object.entries(drills)) if (name.includes(process.argv[2] ?? '')) await drill(name, run);
  const fine = held.filter(({ holds }) => holds).map(({ name }) => name);
  console.log(`${fine.length} of ${held.length} held: ${fine.join('; ') || 'none'}`);
  process.exitCode = fine.length === held.length ? 0 : 1;
} catch (error) {
  reportFault(error);
}
