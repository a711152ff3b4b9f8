import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { backupHouse, restoreHouse } from './backupHouse.mjs';
import { folder, inHouse } from './drillHouse.mjs';
import { visitHouse } from './drillVisitor.mjs';
import { freePort } from './freePort.mjs';

const quiet = { say: () => undefined };

/** The ids of the marks on a request's desk. */
const marksOf = async (coach, requestId) => Object.keys((await coach.ask('GET', `/api/requests/${requestId}/desk`)).json.document.marks);

/**
 * Backs a house up while a coach goes on marking, brings the backup back in an empty folder and starts a house there: all that was saved
 * before the backup began is there, nothing that was not saved by its end, and it goes on.
 */
export async function backupUnderEdits() {
  const [dataDir, keptIn, restored] = [folder(), folder(), folder()];
  const kept = join(keptIn, 'backup');
  const [port, portThere] = [await freePort(), await freePort()];
  try {
    const saved = [];
    const known = await inHouse(dataDir, { databasePort: port }, async (house) => {
      const coach = await visitHouse(house.url, 'marit@skerrow.example');
      const request = (await coach.ask('GET', '/api/requests')).json.requests.find(({ footages }) => footages.length > 0);
      const before = await marksOf(coach, request.id);
      let going = true;
      const marking = (async () => {
        while (going) {
          const id = randomUUID();
          const after = { id, footageId: request.footages[0].id, atFrame: saved.length % 100, toFrame: null, state: 'open' };
          const changes = [{ changeId: randomUUID(), entity: 'mark', id, before: null, after }];
          if ((await coach.ask('POST', `/api/requests/${request.id}/desk/changes`, { changes, since: 1e9 })).status === 200) saved.push(id);
        }
      })();
      await sleep(1500);
      const atFirst = [...before, ...saved];
      await backupHouse({ dataDir, databasePort: port, database: null }, kept, quiet);
      going = false;
      await marking;
      return { requestId: request.id, atFirst, atLast: new Set([...before, ...saved]) };
    });
    await restoreHouse(kept, { dataDir: restored, databasePort: portThere, database: null }, quiet);
    return await inHouse(restored, { databasePort: portThere }, async (house) => {
      const coach = await visitHouse(house.url, 'marit@skerrow.example');
      const there = await marksOf(coach, known.requestId);
      const [lost, unknown] = [known.atFirst.filter((id) => !there.includes(id)), there.filter((id) => !known.atLast.has(id))];
      if (lost.length > 0) return `${lost.length} marks that were saved before the backup are not in it`;
      if (unknown.length > 0) return `${unknown.length} marks are in the backup that nobody saved`;
      if (known.atLast.size === known.atFirst.length) return 'nothing was marked while it was backed up';
      return null;
    });
  } finally {
    for (const one of [dataDir, keptIn, restored]) rmSync(one, { recursive: true, force: true });
  }
}
