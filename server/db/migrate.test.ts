import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { critiqueDoc } from '@lean-mentor/contract';
import { blockText } from '@lean-mentor/core/critique';
import { findCritiqueRow, findVersion } from '../features/critique/repository.ts';
import { findDeskDocument } from '../features/desk/deskItems.ts';
import { findRequest } from '../features/requests/index.ts';
import { clientA } from '../testing/people.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { migrate, migrations } from './migrate.ts';
import { statements as house001 } from './migrations/001-house.ts';

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse({ migrated: false });
});
afterAll(() => house.close());

const [requestId, footageId, boutId, noteId, critiqueId] = [1, 2, 3, 4, 5].map((n) => `00000000-0000-4000-8000-00000000000${n}`) as [
  string,
  string,
  string,
  string,
  string,
];

/** What a house of the first version held: a sent request with footage, a bout, a note and its critique. */
const before = [
  `INSERT INTO clients (id, name, level, born_on, about, hurts, agreements) VALUES ('${clientA}', 'Ada Moor', 2, NULL, '', '[]', '[]')`,
  `INSERT INTO requests (id, client_id, kind, attire, who_client, who_partner, question, state, sent_at, due_at)
    VALUES ('${requestId}', '${clientA}', 'match', 'jacket', 'violet', 'white', 'Why?', 'sent', '2031-01-01', '2031-01-04')`,
  `INSERT INTO footages (id, request_id, file_name, byte_size, state, step, share, changed_at)
    VALUES ('${footageId}', '${requestId}', 'a.mp4', 10, 'ready', 'Ready', 1, '2031-01-01')`,
  `INSERT INTO bouts (id, footage_id, from_frame, to_frame, spans) VALUES ('${boutId}', '${footageId}', 3, 90, '[]')`,
  `INSERT INTO notes (id, request_id, from_frame, kind, athlete, seen, severity, what, instead)
    VALUES ('${noteId}', '${requestId}', 12, 'mistake', 'client', 'clear', 2, 'The elbow.', '[]')`,
  `INSERT INTO critiques (id, request_id, opening, note_ids, fixes, coach_name, sent_at) VALUES ('${critiqueId}', '${requestId}', 'Well.', '[]',
    '[{"position": 1, "note": {"id": "${noteId}", "fromFrame": 12, "toFrame": null, "kind": "mistake", "athlete": "client", "seen": "clear", "severity": 2, "what": "The elbow.", "instead": [{"when": "he pulls", "do": "turn"}], "markId": null}, "drawings": [], "atFrame": 12, "atSeconds": 0.4, "clipFrom": 0, "clipTo": 2.4}]',
    'Cora Lind', '2031-01-03')`,
  `INSERT INTO jobs (id, kind, subject_id, state, attempts, run_after) VALUES ('${boutId}', 'make-ready', '${footageId}', 'done', 1, '2031-01-01')`,
];

describe('migrations', () => {
  it('bring a house of the first version up to this one with everything in it', async () => {
    const { sequelize } = house.db;
    const run = (statement: string) => sequelize.query(statement, { type: QueryTypes.RAW });
    for (const statement of house001) await run(statement);
    await run('CREATE TABLE migrations (name VARCHAR(255) PRIMARY KEY)');
    await run("INSERT INTO migrations VALUES ('001-house')");
    for (const statement of before) await run(statement);
    expect(await migrate(sequelize)).toEqual([
      '002-motion',
      '003-intake',
      '004-desk',
      '005-clips',
      '006-scoring',
      '007-book',
      '008-critique',
      '009-search',
      '010-guarded',
      '011-falls',
      '012-search-forms',
      '013-led-to',
      '014-takes',
      '015-films',
      '016-asked-of-takes',
      '017-take-words',
      '018-memos-are-takes',
      '019-compared-in-films',
      '020-joining',
      '021-second-factor',
      '022-sent-letters',
      '023-practice',
      '024-people',
      '025-calendar-links',
      '026-money',
      '027-letter-words',
      '028-hand-overs',
      '029-work',
      '030-limits',
      '031-threats',
      '032-forks',
      '033-request-limits',
      '034-rights',
      '035-editions',
      '036-last-ready',
    ]);

    expect((await house.db.clients.findByPk(clientA))?.get('name')).toBe('Ada Moor');
    expect(await findRequest(house, requestId)).toMatchObject({
      kind: 'match',
      attire: 'jacket',
      ruleSheet: 'points-jacket',
      whoClient: 'violet',
      question: 'Why?',
      state: 'sent',
      critiqueId,
      footages: [{ id: footageId, state: 'waiting', bouts: [{ id: boutId, fromFrame: 3, toFrame: 90, proposed: false, order: 1 }] }],
    });
    expect((await findDeskDocument(house, requestId)).notes[noteId]).toMatchObject({
      footageId,
      what: 'The elbow.',
      layer: 'technical',
      visible: 'client',
      causes: [],
      principleId: null,
    });
    const [critique, version] = [await findCritiqueRow(house, critiqueId), await findVersion(house, critiqueId, 1)];
    expect(critique).toMatchObject({ version: 1, revision: 1, code: expect.stringMatching(/^[a-z2-9]{8}$/) });
    expect(version).toMatchObject({ coachName: 'Cora Lind', moments: [{ note: { id: noteId, footageId }, atSeconds: 0.4 }] });
    expect(version!.fixes).toEqual([{ position: 1, fixId: noteId, principleId: null, name: 'The elbow.', noteIds: [noteId] }]);
    expect(critiqueDoc.parse(version!.doc).content.map(blockText)).toEqual(['Well.', 'The elbow.\nThe elbow.\nIf he pulls: turn']);
    const found = await sequelize.query<{ entry: string; words: string }>('SELECT entry, words FROM search_entries ORDER BY entry', {
      type: QueryTypes.SELECT,
    });
    expect(found.map(({ entry, words }) => `${entry}: ${words.trim()}`)).toEqual(['client: Ada Moor', 'note: The elbow.', 'request: Why?']);
    expect((await house.db.footages.findByPk(footageId))?.get('originalKey')).toBe(`footage/${footageId}/original`);
    // What was made ready without a strip is made ready again.
    expect((await house.db.jobs.findOne())?.get('state')).toBe('waiting');
  });

  it('do nothing the second time', async () => {
    expect(await migrate(house.db.sequelize)).toEqual([]);
  });

  it('go on where they were cut off, at every statement of them, with the data in it', async () => {
    const [whole, fresh] = [await openTestHouse({ migrated: false }), await openTestHouse({ migrated: false })];
    try {
      for (const { db } of [whole, fresh]) {
        await migrate(db.sequelize, migrations.slice(0, 1));
        for (const statement of before) await db.sequelize.query(statement, { type: QueryTypes.RAW });
      }
      await migrate(whole.db.sequelize);
      const { sequelize } = fresh.db;
      const statements = new Set(migrations.slice(1).flatMap((one) => one.statements));
      const query = sequelize.query.bind(sequelize) as (...args: unknown[]) => Promise<unknown>;
      const cut = new Set<string>();
      // As when the process is killed: the statement was run, and nothing after it is. What changes rows is rolled back with it.
      let killed = false;
      const spy = vi.spyOn(sequelize, 'query').mockImplementation((async (...args: unknown[]) => {
        const sql = args[0];
        if (killed && typeof sql === 'string') throw new Error('cut off');
        const answer = await query(...args);
        if (typeof sql !== 'string' || !statements.has(sql) || cut.has(sql)) return answer;
        cut.add(sql);
        killed = true;
        throw new Error('cut off');
      }) as never);
      let cuts = 0;
      for (let done = false; !done;) {
        try {
          await migrate(sequelize);
          done = true;
        } catch (error) {
          expect(String(error)).toContain('cut off');
          cuts += 1;
          killed = false;
        }
      }
      spy.mockRestore();
      expect(cuts).toBe(statements.size);
      expect(await schemaOf(fresh)).toEqual(await schemaOf(whole));
      const of = (at: TestHouse) =>
        Promise.all([findRequest(at, requestId), findDeskDocument(at, requestId), findVersion(at, critiqueId, 1)]);
      expect(await of(fresh)).toEqual(await of(whole));
    } finally {
      await whole.close();
      await fresh.close();
    }
  });

  it('leave what every other test has a copy of', async () => {
    const [migrated, copied] = [await openTestHouse({ migrated: false }), await openTestHouse()];
    try {
      await migrate(migrated.db.sequelize);
      expect(await schemaOf(copied)).toEqual(await schemaOf(migrated));
      expect(await rowsOf(copied)).toEqual(await rowsOf(migrated));
      expect(await migrate(copied.db.sequelize)).toEqual([]);
    } finally {
      await migrated.close();
      await copied.close();
    }
  });

  it.each(migrations.slice(0, -1).map(({ name }, i) => [name, i] as const))(
    'bring a practice that lived with %s forward, with what was written then',
    async (_, last) => {
      const fresh = await openTestHouse({ migrated: false });
      try {
        const { sequelize } = fresh.db;
        await migrate(sequelize, migrations.slice(0, last + 1));
        for (const statement of writtenUnder(last + 1)) await sequelize.query(statement, { type: QueryTypes.RAW });
        await migrate(sequelize);
        expect(await findRequest(fresh, requestId)).toMatchObject({
          whoClient: 'violet',
          question: 'Why?',
          critiqueId,
          footages: [{ id: footageId, bouts: [{ id: boutId, fromFrame: 3 }] }],
        });
        expect((await findDeskDocument(fresh, requestId)).notes[noteId]).toMatchObject({
          footageId,
          what: 'The elbow.',
          visible: 'client',
        });
        expect(await findVersion(fresh, critiqueId, 1)).toMatchObject({
          coachName: 'Cora Lind',
          fixes: [{ position: 1, name: 'The elbow.' }],
        });
      } finally {
        await fresh.close();
      }
    },
  );
});

/** Tables, columns, keys and triggers of a house, as the database describes them. */
async function schemaOf({ db }: TestHouse): Promise<unknown> {
  const select = (sql: string) => db.sequelize.query(sql, { type: QueryTypes.SELECT });
  return Promise.all([
    select(
      `SELECT table_name, column_name, column_type, is_nullable, column_default FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY 1, 2`,
    ),
    select(
      `SELECT table_name, index_name, seq_in_index, column_name, non_unique FROM information_schema.statistics WHERE table_schema = DATABASE() ORDER BY 1, 2, 3`,
    ),
    select(
      `SELECT table_name, column_name, referenced_table_name FROM information_schema.key_column_usage WHERE table_schema = DATABASE() ORDER BY 1, 2, 3`,
    ),
    select(
      `SELECT constraint_name, table_name, update_rule, delete_rule FROM information_schema.referential_constraints WHERE constraint_schema = DATABASE() ORDER BY 1, 2`,
    ),
    select(`SELECT trigger_name, action_statement FROM information_schema.triggers WHERE trigger_schema = DATABASE() ORDER BY 1`),
  ]);
}

/** A checksum of what each table holds. */
async function rowsOf({ db }: TestHouse): Promise<unknown> {
  const tables = await db.sequelize.query<Record<string, string>>('SHOW TABLES', { type: QueryTypes.SELECT });
  const names = tables.map((table) => Object.values(table)[0]!);
  const sums = await db.sequelize.query<{ Checksum: string }>(`CHECKSUM TABLE ${names.join(', ')}`, { type: QueryTypes.SELECT });
  return sums.map(({ Checksum }, i) => [names[i], String(Checksum)]);
}

/** The same sent request with its bout, note and critique, as the house of a version wrote it down. */
function writtenUnder(version: number): string[] {
  if (version < 3) return before;
  const intake = `{"kind": "match", "attire": "jacket", "ruleSheet": "points-jacket", "whoClient": "violet", "whoPartner": "white", "question": "Why?", "partnerConsent": "agreed"}`;
  const note = `{"id": "${noteId}", "footageId": "${footageId}", "fromFrame": 12, "toFrame": null, "kind": "mistake", "athlete": "client", "seen": "clear", "severity": 2, "what": "The elbow.", "instead": [], "markId": null}`;
  const moment = `{"note": ${note}, "drawings": [], "atSeconds": 0.4, "clipFromSeconds": 0, "clipToSeconds": 2.4}`;
  const doc = `{"type": "doc", "content": [{"type": "paragraph", "content": [{"type": "text", "text": "Well."}]}]}`;
  const fix = `{"position": 1, "fixId": "${noteId}", "principleId": null, "name": "The elbow.", "noteIds": ["${noteId}"]}`;
  const critique =
    version < 8
      ? [
          `INSERT INTO critiques (id, request_id, opening, note_ids, fixes, coach_name, sent_at) VALUES ('${critiqueId}', '${requestId}', 'Well.', '[]',
            '[{"position": 1, "note": ${note}, "drawings": [], "atFrame": 12, "atSeconds": 0.4, "clipFrom": 0, "clipTo": 2.4}]', 'Cora Lind', '2031-01-03')`,
        ]
      : [
          `INSERT INTO critiques (id, request_id, doc, revision, version, sent_at, code) VALUES ('${critiqueId}', '${requestId}', '${doc}', 1, 1, '2031-01-03', 'abcdefgh')`,
          `INSERT INTO critique_versions (critique_id, version, doc, fixes, moments, coach_name, sent_at)
            VALUES ('${critiqueId}', 1, '${doc}', '[${fix}]', '[${moment}]', 'Cora Lind', '2031-01-03')`,
        ];
  return [
    before[0]!,
    `INSERT INTO requests (id, client_id, state, sent_at, due_at, intake) VALUES ('${requestId}', '${clientA}', 'sent', '2031-01-01', '2031-01-04', '${intake}')`,
    `INSERT INTO footages (id, request_id, file_name, byte_size, state, step, share, changed_at) VALUES ('${footageId}', '${requestId}', 'a.mp4', 10, 'ready', 'Ready', 1, '2031-01-01')`,
    `INSERT INTO bouts (id, footage_id, from_frame, to_frame, spans) VALUES ('${boutId}', '${footageId}', 3, 90, '[]')`,
    `INSERT INTO notes (id, request_id, footage_id, from_frame, kind, athlete, seen, severity, what, instead) VALUES ('${noteId}', '${requestId}', '${footageId}', 12, 'mistake', 'client', 'clear', 2, 'The elbow.', '[]')`,
    ...(version < 10 ? [] : ['UPDATE footages SET released = TRUE']),
    ...critique,
  ];
}
