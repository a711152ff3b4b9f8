import { readdir, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Rights } from '@lean-mentor/contract';
import { addDays } from 'date-fns';
import { unzipSync, strFromU8 } from 'fflate';
import { QueryTypes } from 'sequelize';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { tidy } from '../../jobs/tidy.ts';
import { originalKey } from '../../storage/index.ts';
import { bringBelongings, type Belongings } from '../../testing/belongings.ts';
import { aNote, clientA, clientB, coachId } from '../../testing/people.ts';
import { runThoseDue } from '../../testing/jobs.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';
import { aboutClient, aboutNobody, keptRecords } from './aboutClient.ts';
import { forgetWhoAsked } from './index.ts';

const { house, open, coach, assistant, client, other, guardian } = peopledHouse('coach', 'assistant', 'client', 'other', 'guardian');
const at = (clientId: string, rest: string): string => `/api/clients/${clientId}/${rest}`;
const rightsOf = async (who: typeof coach, clientId: string): Promise<Rights> =>
  (await who.ask('get', at(clientId, 'rights'))).body as Rights;
const tables = async (): Promise<string[]> =>
  (
    await house.db.sequelize.query<{ name: string }>(
      'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
      { type: QueryTypes.SELECT },
    )
  ).map(({ name }) => name);

/** What somebody takes along of a client, opened by another program than the one that made it. */
async function everything(who: typeof coach, clientId: string): Promise<Record<string, Uint8Array>> {
  const answer = await who
    .ask('get', at(clientId, 'all'))
    .buffer(true)
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk));
      res.on('end', () => done(null, Buffer.concat(chunks)));
    });
  expect([answer.status, answer.type]).toEqual([200, 'application/zip']);
  return unzipSync(answer.body as Uint8Array);
}

/** Every row of every table but these, as text. */
async function everyRow(but: readonly string[] = []): Promise<string> {
  const texts = [];
  for (const name of (await tables()).filter((one) => !but.includes(one)))
    texts.push(JSON.stringify(await house.db.sequelize.query(`SELECT * FROM ${name}`, { type: QueryTypes.SELECT })));
  return texts.join('\n');
}

/** Every file with its name and bytes, as text. */
async function everyFile(): Promise<string> {
  const texts = [];
  for (const name of await readdir(house.config.dataDir, { recursive: true })) {
    const path = join(house.config.dataDir, name);
    texts.push(name, (await stat(path)).isFile() ? await readFile(path, 'latin1') : '');
  }
  return texts.join('\n');
}

/** Removes the files that are to be removed by now. */
const removeFiles = (): Promise<void> => runThoseDue(house, 'remove-footage');

/** Words that are nowhere else, put wherever a client or somebody about them may have written. */
const mark = 'Quillfeather';
async function leaveMarks(own: Belongings): Promise<void> {
  const { sequelize } = house.db;
  const set = (table: string, column: string, where: string): Promise<unknown> =>
    sequelize.query(`UPDATE ${table} SET ${column} = '${mark}' WHERE ${where}`, { type: QueryTypes.RAW });
  const [requestId, critiqueId] = [own['requestId']!, own['critiqueId']!];
  await set('notes', 'what', `request_id = '${requestId}'`);
  await set('footages', 'file_name', `request_id = '${requestId}'`);
  await set('questions', 'words', `critique_id = '${critiqueId}'`);
  await set('pains', 'words', `client_id = '${own['clientId']!}'`);
  await set('bouts', 'partner_words', `id = '${own['boutId']!}'`);
  await sequelize.query(`UPDATE requests SET intake = JSON_SET(intake, '$.question', '${mark}') WHERE id = '${requestId}'`);
  await sequelize.query(`UPDATE critique_versions SET doc = JSON_SET(doc, '$.said', '${mark}') WHERE critique_id = '${critiqueId}'`);
  await house.storage.putBytes(originalKey(own['footageId']!), mark);
}

describe('every table', () => {
  it('is about clients, about money or about nobody: none is left out, and none is named that is not there', async () => {
    const known = [...Object.keys(aboutClient), ...Object.keys(keptRecords), ...aboutNobody];
    expect([...known].sort()).toEqual((await tables()).sort());
  });
});

describe('taking everything along', () => {
  let own: Belongings;
  beforeAll(async () => {
    own = await bringBelongings(house, clientA, coachId);
    await leaveMarks(own);
  });

  it('is one ZIP that another program opens: every record, every video as it was sent, and each critique as a folder of its own', async () => {
    let files = await everything(client, clientA);
    const person = JSON.parse(strFromU8(files['data/person.json']!)) as { tables: Record<string, { rows: Record<string, unknown>[] }> };
    expect(person.tables['notes']!.rows.map(({ what }) => what)).toContain(mark);
    expect(person.tables['requests']!.rows.every((row) => row['client_id'] === clientA)).toBe(true);
    expect(person.tables['invoices']!.rows).toHaveLength(1);
    expect(strFromU8(files[`footage/${own['footageId']!}/${mark}`]!)).toBe(mark);
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining([`voices/${own['takeId']!}.m4a`, `voices/answers/${own['questionId']!}.m4a`]),
    );
    // Its video is no video: no clip can be cut of it.
    const critiques = (): string[] => Object.keys(files).filter((name) => name.startsWith('critiques/'));
    expect(critiques()).toEqual([expect.stringMatching(/json$/)]);
    await house.db.footages.update({ state: 'removed' }, { where: { id: own['answeredFootageId'] } });
    files = await everything(client, clientA);
    expect(Object.keys(unzipSync(files[critiques()[0]!]!))).toContain('critique.html');
  });

  it('goes on where a file cannot be read, and says which one: in the ZIP, not in the log', async () => {
    const opening = vi.spyOn(house.storage, 'open').mockRejectedValueOnce(new Error('The disk does not answer.'));
    const files = await everything(client, clientA);
    expect(strFromU8(files['missing.txt']!)).toMatch(/voices\/.*m4a/);
    opening.mockRejectedValue(new Error('The disk does not answer.'));
    expect(strFromU8((await everything(client, clientA))['missing.txt']!)).toContain(mark);
    opening.mockRestore();
    expect(house.logged.join('\n')).not.toContain(mark);
    expect(strFromU8(files[`footage/${own['footageId']!}/${mark}`]!)).toBe(mark);
  });

  it('holds nothing that opens a way in, and nothing of anybody else', async () => {
    await bringBelongings(house, clientB, coachId);
    const words = strFromU8((await everything(client, clientA))['data/person.json']!);
    for (const secret of ['password_hash', 'argon2', 'token_hash', 'digest', 'second_secret', clientB]) expect(words).not.toContain(secret);
  });

  it('has a schema beside it in which every column that is there is described', async () => {
    const files = await everything(coach, clientA);
    const person = JSON.parse(strFromU8(files['data/person.json']!)) as { tables: Record<string, { rows: object[] }> };
    const schema = JSON.parse(strFromU8(files['data/person.schema.json']!)) as {
      properties: { tables: { properties: Record<string, { properties: { rows: { items: { properties: object } } } }> } };
    };
    for (const [table, { rows }] of Object.entries(person.tables))
      for (const row of rows)
        expect(Object.keys(schema.properties.tables.properties[table]!.properties.rows.items.properties)).toEqual(
          expect.arrayContaining(Object.keys(row)),
        );
  });

  it('is the coach’s, the client’s and the guardian’s: not an assistant’s, and nobody else’s', async () => {
    expect((await assistant.ask('get', at(clientA, 'all'))).status).toBe(403);
    expect((await other.ask('get', at(clientA, 'all'))).status).toBe(404);
    expect(Object.keys(await everything(guardian, clientB))).toContain('README.txt');
  });
});

describe('who looked and who changed', () => {
  it('is noted once an hour for each room and request, whatever the operation, and told in the client’s own page', async () => {
    const own = await bringBelongings(house, clientB, coachId);
    await house.db.trail.destroy({ where: {} });
    house.time = new Date('2031-05-04T10:20:00Z');
    for (let i = 0; i < 3; i++) await assistant.ask('get', `/api/requests/${own['requestId']!}/desk`);
    await coach.ask('put', `/api/requests/${own['requestId']!}/place`, { place: 0 });
    house.time = new Date('2031-05-04T11:20:00Z');
    await assistant.ask('get', `/api/requests/${own['requestId']!}/desk`);
    const { entries } = (await other.ask('get', at(clientB, 'trail'))).body as { entries: object[] };
    house.time = null;
    expect(entries).toEqual([
      {
        who: 'Abel Stone',
        role: 'assistant',
        room: 'desk',
        changed: false,
        requestId: own['requestId'],
        hourAt: '2031-05-04T11:00:00.000Z',
      },
      {
        who: 'Abel Stone',
        role: 'assistant',
        room: 'desk',
        changed: false,
        requestId: own['requestId'],
        hourAt: '2031-05-04T10:00:00.000Z',
      },
      { who: 'Cora Lind', role: 'coach', room: 'queue', changed: true, requestId: own['requestId'], hourAt: '2031-05-04T10:00:00.000Z' },
    ]);
  });

  it('says nothing of a change that was refused, nor of what clients do with their own', async () => {
    const own = await bringBelongings(house, clientB, coachId);
    await house.db.trail.destroy({ where: {} });
    house.time = new Date('2031-05-05T10:20:00Z');
    expect((await coach.ask('post', at(clientB, 'forget'), { name: 'Nobody' })).status).toBe(400);
    expect((await other.ask('get', `/api/requests/${own['requestId']!}`)).status).toBe(200);
    house.time = null;
    expect(await house.db.trail.count()).toBe(0);
  });

  it('keeps nobody from reading while the disk is full, and is made up for by the next look', async () => {
    const own = await bringBelongings(house, clientB, coachId);
    await house.db.trail.destroy({ where: {} });
    const look = async () => (await coach.ask('get', `/api/requests/${own['requestId']!}/desk`)).status;
    const full = Object.assign(new Error('No space left on device'), { code: 'ENOSPC' });
    const writing = vi.spyOn(house.db.trail, 'bulkCreate').mockRejectedValueOnce(full);
    expect([await look(), await house.db.trail.count()]).toEqual([200, 0]);
    writing.mockRestore();
    expect([await look(), await house.db.trail.count()]).toEqual([200, 1]);
  });
});

describe('who is named in the words of others', () => {
  it('is shown to the coach before they are removed, and to nobody else: the words stay', async () => {
    const own = await bringBelongings(house, clientB, coachId);
    const id = house.newId();
    const note = aNote(id, own['footageId']!, { fromFrame: 2, what: 'As ada moor did it last week.' });
    const changes = [{ changeId: house.newId(), entity: 'note', id, before: null, after: note }];
    await coach.ask('post', `/api/requests/${own['requestId']!}/desk/changes`, { changes, since: 0 });
    const named = { clientName: 'Ben Ruhl', requestId: own['requestId'], words: expect.stringContaining('As ada moor did it') };
    expect((await rightsOf(coach, clientA)).namedElsewhere).toMatchObject([named]);
    expect((await rightsOf(client, clientA)).namedElsewhere).toEqual([]);
    await house.db.notes.destroy({ where: { id } });
    await house.db.sequelize.query(`DELETE FROM search_entries WHERE entry_id = '${id}'`);
  });
});

describe('asking to be forgotten', () => {
  it('wants the whole name, is told to everybody who stands for them, and is taken back within a week', async () => {
    expect((await other.ask('post', at(clientB, 'forgetting'), { name: 'Ben' })).body).toMatchObject({ fields: [{ field: 'name' }] });
    await house.db.letters.destroy({ where: {} });
    expect((await other.ask('post', at(clientB, 'forgetting'), { name: ' ben  ruhl ' })).status).toBe(200);
    expect(await house.db.letters.count({ where: { kind: 'forgetting' } })).toBe(2);
    // Asked again, the first day stands and nobody is written to twice.
    const { forgetting } = await rightsOf(guardian, clientB);
    expect((await guardian.ask('post', at(clientB, 'forgetting'), { name: 'Ben Ruhl' })).status).toBe(200);
    expect((await rightsOf(coach, clientB)).forgetting).toEqual(forgetting);
    expect(await house.db.letters.count({ where: { kind: 'forgetting' } })).toBe(2);
    expect((await coach.ask('get', '/api/retention')).body.asked).toMatchObject([{ clientId: clientB, askedBy: 'Ben Ruhl' }]);
    house.time = addDays(new Date(), 6);
    await forgetWhoAsked(house);
    expect((await guardian.ask('delete', at(clientB, 'forgetting'))).status).toBe(200);
    house.time = addDays(new Date(), 9);
    await forgetWhoAsked(house);
    house.time = null;
    expect(await house.db.clients.count({ where: { id: clientB } })).toBe(1);
    expect((await other.ask('delete', at(clientB, 'forgetting'))).status).toBe(409);
  });
});

describe('a client who is forgotten', () => {
  let lost: Belongings;
  let kept: Belongings;
  let before: Rights;
  beforeAll(async () => {
    await house.db.clients.update({ name: `Ada ${mark}` }, { where: { id: clientA } });
    await house.db.accounts.update({ name: `Ada ${mark}`, email: `${mark.toLowerCase()}@test.example` }, { where: { name: 'Ada Moor' } });
    [lost, kept] = [await bringBelongings(house, clientA, coachId), await bringBelongings(house, clientB, coachId)];
    await leaveMarks(lost);
    await house.db.letters.create({
      ...{
        id: house.newId(),
        toName: 'Gerd Ruhl',
        toAddress: 'before@test.example',
        subject: 'Welcome',
        body: `${mark} was here: Ada ${mark}.`,
      },
      ...{ writtenAt: house.now(), link: null },
    });
    before = await rightsOf(coach, clientA);
    await house.db.forgettings.create({
      ...{ clientId: clientA, askedBy: `Ada ${mark}`, askedAt: house.now(), dueAt: addDays(house.now(), -1), doneAt: null, went: [] },
    });
    await tidy(house, { forget: forgetWhoAsked });
    await removeFiles();
  });

  it('was told before what goes and what stays', () => {
    expect(before.goes).toEqual(expect.arrayContaining([{ words: 'records of who they are', many: 1 }]));
    expect(before.stays.map(({ words }) => words)).toEqual(['payments', 'invoices']);
    expect(before.bytes).toBeGreaterThan(0);
  });

  it('is in no row, no file and no log any more', async () => {
    expect(await everyRow()).not.toContain(mark);
    expect((await everyRow()).toLowerCase()).not.toContain(mark.toLowerCase());
    expect(await everyFile()).not.toContain(mark);
    expect(house.logged.join('\n')).not.toContain(mark);
    // Of the ids only that one with the client's was forgotten, and what is still to be removed once more.
    const [rows, files] = [await everyRow(['jobs', 'forgettings']), await everyFile()];
    expect(rows).not.toContain(clientA);
    for (const name of [
      'requestId',
      'footageId',
      'critiqueId',
      'answeredId',
      'answeredFootageId',
      'takeId',
      'noteId',
      'boutId',
      'draftId',
      'workId',
    ])
      expect([name, rows.includes(lost[name]!), files.includes(lost[name]!)]).toEqual([name, false, false]);
    expect(await house.db.forgettings.findOne({ where: { clientId: clientA }, raw: true })).toMatchObject({ askedBy: '' });
  });

  it('leaves money records without a way back to them, and the sums as they were', async () => {
    const invoice = await house.db.invoices.findByPk(lost['invoiceId'], { raw: true });
    expect(invoice).toMatchObject({ clientId: null, recipient: 'Somebody', total: 25 });
  });

  it('takes nothing of anybody else along, and can no longer sign in', async () => {
    for (const [name, table] of [
      ['requestId', 'requests'],
      ['footageId', 'footages'],
      ['critiqueId', 'critiques'],
      ['workId', 'work'],
    ] as const)
      expect([
        name,
        await (house.db[table] as unknown as { count: (of: object) => Promise<number> }).count({ where: { id: kept[name] } }),
      ]).toEqual([name, 1]);
    expect(await house.storage.size(originalKey(kept['footageId']!))).not.toBeNull();
    expect((await client.ask('get', '/api/session')).body.account).toBeNull();
    await expect(visit(open.app, 'client')).rejects.toThrow('401');
  });

  it('does not come back by what another process was still writing: it is looked after once more', async () => {
    await house.storage.putBytes(originalKey(lost['footageId']!), mark);
    await removeFiles();
    expect(await house.storage.size(originalKey(lost['footageId']!))).not.toBeNull();
    house.time = new Date(Date.now() + 11 * 60_000);
    await removeFiles();
    house.time = null;
    expect(await everyFile()).not.toContain(mark);
  });

  it('is gone at once where the coach says so, with the name typed; a guardian of nobody else goes too', async () => {
    expect((await coach.ask('post', at(clientB, 'forget'), { name: 'Ben Ruhl' })).status).toBe(200);
    expect(await house.db.clients.count()).toBe(0);
    expect((await house.db.accounts.findAll({ where: { role: ['client', 'guardian'] } })).length).toBe(0);
    expect((await coach.ask('post', at(clientB, 'forget'), { name: 'Ben Ruhl' })).status).toBe(404);
  });
});
