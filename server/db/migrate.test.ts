import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { critiqueDoc } from '@lean-mentor/contract';
import { blockText } from '@lean-mentor/core/critique';
import { findCritiqueRow, findVersion } from '../features/critique/repository.ts';
import { findDeskDocument } from '../features/desk/repository.ts';
import { findRequest } from '../features/requests/index.ts';
import { clientA } from '../testing/people.ts';
import { openTestHouse, type TestHouse } from '../testing/testHouse.ts';
import { migrate } from './migrate.ts';
import { statements as house001 } from './migrations/001-house.ts';

let house: TestHouse;
beforeAll(async () => {
  house = await openTestHouse({ migrated: false });
});
afterAll(() => house.close());

const [requestId, footageId, boutId, noteId, critiqueId] = [1, 2, 3, 4, 5].map((n) => `00000000-0000-4000-8000-00000000000${n}`) as [
  string, string, string, string, string,
]; // prettier-ignore

/** What a house of the first version held: a sent request with footage, a bout, a note and its critique. */
const before = [
  `INSERT INTO clients VALUES ('${clientA}', 'Ada Moor', 2, NULL, '', '[]', '[]')`,
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
    ]);

    expect((await house.db.clients.findByPk(clientA))?.get('name')).toBe('Ada Moor');
    expect(await findRequest(house, requestId)).toMatchObject({
      ...{ kind: 'match', attire: 'jacket', ruleSheet: 'points-jacket', whoClient: 'violet', question: 'Why?', state: 'sent', critiqueId },
      footages: [{ id: footageId, state: 'waiting', bouts: [{ id: boutId, fromFrame: 3, toFrame: 90, proposed: false, order: 1 }] }],
    });
    expect((await findDeskDocument(house, requestId)).notes[noteId]).toMatchObject({
      ...{ footageId, what: 'The elbow.', layer: 'technical', visible: 'client', causes: [], principleId: null },
    });
    const [critique, version] = [await findCritiqueRow(house, critiqueId), await findVersion(house, critiqueId, 1)];
    expect(critique).toMatchObject({ version: 1, revision: 1, code: expect.stringMatching(/^[a-z2-9]{8}$/) });
    expect(version).toMatchObject({ coachName: 'Cora Lind', moments: [{ note: { id: noteId, footageId }, atSeconds: 0.4 }] });
    expect(version!.fixes).toEqual([{ position: 1, fixId: noteId, principleId: null, name: 'The elbow.', noteIds: [noteId] }]);
    expect(critiqueDoc.parse(version!.doc).content.map(blockText)).toEqual(['Well.', 'The elbow.\nThe elbow.\nIf he pulls: turn']);
    const found = await sequelize.query<{ entry: string; words: string }>('SELECT entry, words FROM search_entries ORDER BY entry', { type: QueryTypes.SELECT }); // prettier-ignore
    expect(found.map(({ entry, words }) => `${entry}: ${words.trim()}`)).toEqual(['note: The elbow.', 'request: Why?']);
    expect((await house.db.footages.findByPk(footageId))?.get('originalKey')).toBe(`footage/${footageId}/original`);
    // What was made ready without a strip is made ready again.
    expect((await house.db.jobs.findOne())?.get('state')).toBe('waiting');
  });

  it('do nothing the second time', async () => {
    expect(await migrate(house.db.sequelize)).toEqual([]);
  });
});
