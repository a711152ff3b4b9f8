import { copyFile, stat } from 'node:fs/promises';
import { basename, dirname, resolve } from 'node:path';
import { practiceFile, type PracticeFile } from '@lean-mentor/contract';
import { emptyDesk } from '@lean-mentor/core/desk';
import { tilingFault } from '@lean-mentor/core/scoring';
import { hashPassword, insertAccount } from '../features/access/index.ts';
import { insertClient } from '../features/clients/index.ts';
import { putCritique, sentFixOf } from '../features/critique/index.ts';
import { insertBout, insertFootage, newFootage } from '../features/footage/index.ts';
import { insertRequest } from '../features/requests/index.ts';
import type { House } from '../house.ts';
import { enqueueJob } from '../jobs/index.ts';
import { probe } from '../media/probe.ts';
import { readSourceTimes } from '../media/frameTimes.ts';
import { sniffFile } from '../media/sniffContainer.ts';

async function importRequest(house: House, wanted: PracticeFile['requests'][number], coachName: string, folder: string): Promise<void> {
  const { footage, document = emptyDesk(), critique, sentAt, dueAt, ...intake } = wanted;
  const source = resolve(folder, footage.file);
  const fault = tilingFault(footage.spans, footage.boutFromFrame, footage.boutToFrame);
  if (fault) throw new Error(`${footage.file}: ${fault}`);
  await insertRequest(house, { ...intake, sentAt: new Date(sentAt), dueAt: new Date(dueAt), state: critique ? 'sent' : 'waiting' });
  const byteSize = (await stat(source)).size;
  await insertFootage(house, {
    ...newFootage({ id: footage.id, requestId: intake.id, fileName: basename(source), byteSize, changedAt: house.now() }),
    state: 'waiting',
    step: 'Waiting its turn',
  });
  await insertBout(house, {
    id: house.newId(),
    footageId: footage.id,
    fromFrame: footage.boutFromFrame,
    toFrame: footage.boutToFrame,
    spans: footage.spans,
  });
  await copyFile(source, house.storage.original(footage.id));
  for (const mark of Object.values(document.marks)) await house.db.marks.create({ ...mark, requestId: intake.id });
  for (const note of Object.values(document.notes)) await house.db.notes.create({ ...note, requestId: intake.id });
  for (const drawing of Object.values(document.drawings)) await house.db.drawings.create({ ...drawing, requestId: intake.id });
  if (critique) {
    const { videoStream, demuxer } = await probe(source, await sniffFile(source));
    const table = await readSourceTimes(source, demuxer, videoStream);
    const fixes = critique.noteIds.map((noteId, i) => {
      const fix = sentFixOf(document, noteId, i + 1, table);
      if (!fix) throw new Error(`The critique of request ${intake.id} names note ${noteId}, which is not among its notes.`);
      return fix;
    });
    await putCritique(house, {
      ...critique,
      requestId: intake.id,
      fixes,
      coachName,
      sentAt: new Date(critique.sentAt),
      readAt: critique.readAt ? new Date(critique.readAt) : null,
    });
  }
  await enqueueJob(house, 'make-ready', footage.id);
}

/**
 * Loads a practice file into an empty house. Footage files are found beside it; they are made ready by the jobs process.
 * Accounts come last, so a house without any holds at most what is left of a load that was cut off: that is cleared first.
 */
export async function importPractice(house: House, content: unknown, file: string): Promise<void> {
  const practice = practiceFile.parse(content);
  const { requests, clients, jobs } = house.db;
  await jobs.destroy({ where: {} });
  await requests.destroy({ where: {} });
  await clients.destroy({ where: {} });
  for (const client of practice.clients) await insertClient(house, client);
  const coachName = practice.accounts.find((a) => a.role === 'coach')?.name ?? '';
  // Newest first: what waits for the coach is made ready before what has been sent.
  const byAge = [...practice.requests].sort((a, b) => b.sentAt.localeCompare(a.sentAt));
  for (const request of byAge) await importRequest(house, request, coachName, dirname(file));
  for (const { password, email, clientIds, ...account } of practice.accounts)
    await insertAccount(house, { ...account, email: email.toLowerCase(), passwordHash: await hashPassword(password) }, clientIds);
}
