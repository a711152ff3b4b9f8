import { randomUUID } from 'node:crypto';
import { createReadStream, readdirSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { folder, inHouse, until } from './drillHouse.mjs';
import { visitHouse } from './drillVisitor.mjs';

/** A word that is nowhere else: it stands for everything that tells of a client. */
const mark = 'Quillfeather';

async function holdsMark(path) {
  let tail = '';
  try {
    for await (const piece of createReadStream(path, { encoding: 'latin1' })) {
      if ((tail + piece).includes(mark)) return true;
      tail = piece.slice(-mark.length);
    }
  } catch (error) {
    // Removed while it was read.
    if (error.code !== 'ENOENT') throw error;
  }
  return false;
}

/** Files under a folder that hold the mark in their name or anywhere in their bytes. */
async function filesWith(dataDir) {
  const found = [];
  for (const entry of readdirSync(dataDir, { recursive: true, withFileTypes: true })) {
    const path = join(entry.parentPath, entry.name);
    if (entry.name.includes(mark) || (entry.isFile() && (await holdsMark(path)))) found.push(relative(dataDir, path));
  }
  return found;
}

/** The database's log of its last changes goes round: what is in it is overwritten by as much as it holds, 96 MB. */
const goesRound = ['db/ib_logfile0'];

/** Writes a word wherever something can be written about a client. Answers the client's id. */
async function leaveMarks(coach, client) {
  const { id: clientId } = client.account.clients[0];
  const send = async (who, method, path, body) => {
    const answer = await who.ask(method, path, body);
    if (answer.status !== 200) throw new Error(`${method} ${path} answered ${answer.status} ${answer.text.slice(0, 200)}`);
    return answer.json;
  };
  const request = (await coach.ask('GET', '/api/requests')).json.requests.find((one) => one.clientId === clientId);
  const [footage] = request.footages;
  // So long a note does not fit into a page of the database, which keeps the rest elsewhere.
  const instead = Array.from({ length: 8 }, () => ({ when: mark, do: mark.repeat(80) }));
  const note = {
    ...{ id: randomUUID(), footageId: footage.id, fromFrame: 1, toFrame: null, kind: 'mistake', layer: 'technical', athlete: 'client' },
    ...{ seen: 'clear', severity: 2, what: mark, instead, principleId: null, visible: 'client', causes: [], ledTo: [], pairId: null },
    ...{ clipId: null, comparisonId: null, markId: null, fork: null },
  };
  const changes = [{ changeId: randomUUID(), entity: 'note', id: note.id, before: null, after: note }];
  await send(coach, 'POST', `/api/requests/${request.id}/desk/changes`, { changes, since: 1e9 });
  await send(coach, 'POST', `/api/requests/${request.id}/ask-first`, { need: 'context', words: `${mark}?` });
  const draft = await send(client, 'POST', '/api/drafts', { clientId });
  await send(client, 'PATCH', `/api/drafts/${draft.id}`, { step: 'what', intake: { event: mark } });
  const bytes = Buffer.from(mark.repeat(20_000));
  const sent = await send(client, 'POST', `/api/requests/${draft.id}/footages`, { fileName: `${mark}.mp4`, byteSize: bytes.length });
  const tus = { 'Tus-Resumable': '1.0.0' };
  const begun = await client.ask('POST', '/api/uploads', undefined, {
    ...tus,
    'Upload-Length': String(bytes.length),
    'Upload-Metadata': `footageId ${Buffer.from(sent.id).toString('base64')}`,
  });
  await client.ask('PATCH', new URL(begun.headers.get('location'), 'http://127.0.0.1').pathname, bytes, {
    ...tus,
    'Upload-Offset': '0',
    'Content-Type': 'application/offset+octet-stream',
  });
  const stateOf = async () => (await client.ask('GET', '/api/drafts')).json.drafts[0].footages[0].state;
  await until(async () => (await stateOf()) === 'failed');
  return clientId;
}

/** Has a client forgotten of whom one word was written everywhere, and searches every byte of the house for it. */
export async function forgottenBytes() {
  const dataDir = folder();
  try {
    const wrong = await inHouse(dataDir, {}, async (house) => {
      const coach = await visitHouse(house.url, 'marit@skerrow.example');
      const client = await visitHouse(house.url, 'ilse@skerrow.example');
      const clientId = await leaveMarks(coach, client);
      // Ended in order, the database writes everything it holds in memory into its files. It is started again by itself.
      const { pid } = house.parts.database.current();
      process.kill(pid, 'SIGTERM');
      const isBack = async () => {
        const now = house.parts.database.current()?.pid;
        return now !== undefined && now !== pid && (await fetch(`${house.url}/api/ready`).catch(() => null))?.status === 200;
      };
      if (!(await until(isBack))) return 'the database did not come back';
      const before = await filesWith(dataDir);
      for (const where of ['footage/', 'db/lean_mentor/notes.ibd', 'db/lean_mentor/letters.ibd'])
        if (!before.some((path) => path.startsWith(where))) return `the word was not in ${where} to begin with`;
      const { name } = (await coach.ask('GET', `/api/clients/${clientId}/rights`)).json;
      const gone = await coach.ask('POST', `/api/clients/${clientId}/forget`, { name });
      if (gone.status !== 200) return `forgetting answered ${gone.status} ${gone.text.slice(0, 200)}`;
      if ((await client.ask('GET', '/api/drafts')).status !== 401) return 'the one who was forgotten is still signed in';
      const files = async () => (await filesWith(dataDir)).filter((path) => !path.startsWith('db/'));
      if (!(await until(async () => (await files()).length === 0))) return `still in ${(await files()).join(', ')}`;
      // The database takes away for good what nobody can see any more, a moment later.
      await sleep(4000);
      return null;
    });
    // With the house stopped all of it is on the disk.
    const left = (await filesWith(dataDir)).filter((path) => !goesRound.includes(path));
    return wrong ?? (left.length === 0 ? null : `still in ${left.join(', ')}`);
  } finally {
    rmSync(dataDir, { recursive: true, force: true });
  }
}
