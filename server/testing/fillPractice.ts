import { QueryTypes } from 'sequelize';
import { noteEntries } from '../features/search/repository.ts';
import type { House } from '../house/house.ts';

/** How much a practice is filled with; notes are spread evenly over requests, requests over clients. */
export interface Fill {
  clients: number;
  requests: number;
  notes: number;
  /** How many of the requests wait for their critique; the others were answered. */
  waiting: number;
}

/** An id of a kind ("a", "b" …) for each number: the same in every run. */
const idOf = (kind: string, number: string): string => `CONCAT(LPAD(LOWER(HEX(${number})), 8, '0'), '-0000-4000-8000-00000000000${kind}')`;

const named =
  'hand elbow late early frame hip knee shoulder grip sleeve collar post lifted passed swept pinned turns drives reaches opens closes holds leaves weight base angle head inside outside mat foot heel shin chest back under over again first second slowly half guard mount'.split(
    ' ',
  );
const syllables = ['ba', 'do', 'ku', 'le', 'mi', 'no', 'pa', 'ro', 'su', 'te', 'vi', 'wo', 'za'];
/** Two thousand words: those of the mat, and others made of syllables. */
const vocabulary = Array.from(
  { length: 2000 },
  (_, i) => named[i] ?? [i % 13, Math.floor(i / 13) % 13, Math.floor(i / 169) % 13].map((at) => syllables[at]).join(''),
);

const halves = 20_000;

/**
 * Half sentences of five words, the same in every run. Words are as unequal as in speech: the chance of the r-th is as 1 ÷ (r + 10) (Zipf
 * and
 * Mandelbrot), so the commonest stands in every sixth sentence; drawn by the inverse of that, 10 × 200^u − 10.
 */
function halfSentences(): string[] {
  let state = 20_261_125;
  const next = (): number => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  const word = (): string => vocabulary[Math.floor(10 * 200 ** next() - 10)]!;
  return Array.from({ length: halves }, () => Array.from({ length: 5 }, word).join(' '));
}

/** A sentence of ten words, another one for each number. */
const sentence = (number: string): string =>
  `CONCAT((SELECT half FROM fill_words WHERE n = MOD(${number} * 7919, ${halves})), ' ', (SELECT half FROM fill_words WHERE n = MOD(${number} * 104729 + 3, ${halves})))`;

/** Spans of ten seconds for five minutes, as a coded bout keeps them in seconds. */
const timed = JSON.stringify({
  lengthSeconds: 300,
  clockSeconds: 300,
  events: [],
  spans: Array.from({ length: 30 }, (_, i) => ({
    position: ['standing', 'half-guard', 'side-control', 'mount', 'closed-guard'][i % 5],
    holder: i % 5 === 0 ? null : i % 2 === 0 ? 'client' : 'partner',
    from: i * 10,
    to: (i + 1) * 10,
  })),
});

/** Fills a house with as much as a large practice has after years, to measure with. The book must be there: its principles are named. */
export async function fillPractice({ db }: House, { clients, requests, notes, waiting }: Fill): Promise<void> {
  const run = (sql: string) => db.sequelize.query(sql, { type: QueryTypes.RAW, replacements: { timed } });
  const principles = await db.principles.count();
  await run('CREATE TABLE fill_words (n INT PRIMARY KEY, half VARCHAR(120) NOT NULL)');
  await run(
    `INSERT INTO fill_words VALUES ${halfSentences()
      .map((half, n) => `(${n}, '${half}')`)
      .join(', ')}`,
  );
  const client = idOf('c', `1 + MOD(s.seq, ${clients})`);
  const numbered = `(SELECT ROW_NUMBER() OVER (ORDER BY id) AS n, id FROM principles) p`;
  await run(`INSERT INTO clients (id, name, level, born_on, about, hurts, agreements)
    SELECT ${idOf('c', 's.seq')}, CONCAT('Client ', s.seq), 1 + MOD(s.seq, 5), '1990-01-01', '', '[]', '[]' FROM seq_1_to_${clients} s`);
  await run(`INSERT INTO requests (id, client_id, state, step, intake, exchange, sent_at, ready_at, due_at)
    SELECT ${idOf('d', 's.seq')}, ${client}, 'sent', 'check', JSON_OBJECT('kind', 'hard-sparring', 'attire', 'jacket', 'ruleSheet', 'open-mat', 'whoClient', 'green',
      'whoPartner', 'white', 'question', ${sentence('s.seq')}, 'partnerConsent', 'agreed'), '[]', NOW() - INTERVAL s.seq HOUR, NOW() - INTERVAL s.seq HOUR, NOW()
    FROM seq_1_to_${requests} s`);
  await run(`INSERT INTO footages (id, request_id, position, file_name, byte_size, state, step, share, seconds, width, height, changed_at)
    SELECT ${idOf('e', 's.seq')}, ${idOf('d', 's.seq')}, 1, 'round.mp4', 10, 'ready', 'Ready', 1, 300, 1280, 720, NOW() - INTERVAL 1 YEAR FROM seq_1_to_${requests} s`);
  await run(`INSERT INTO bouts (id, footage_id, from_frame, to_frame, spans, events, timed)
    SELECT ${idOf('f', 's.seq')}, ${idOf('e', 's.seq')}, 0, 9000, '[]', '[]', :timed FROM seq_1_to_${requests} s`);
  await run(`INSERT INTO critiques (id, request_id, doc, revision, version, sent_at, read_at, code)
    SELECT ${idOf('a', 's.seq')}, ${idOf('d', 's.seq')}, NULL, 1, 1, NOW() - INTERVAL s.seq HOUR, NULL, LPAD(LOWER(HEX(s.seq)), 8, 'g') FROM seq_1_to_${requests} s`);
  const fix = (at: number): string =>
    `JSON_OBJECT('position', ${at}, 'fixId', p${at}.id, 'principleId', p${at}.id, 'name', p${at}.name, 'noteIds', JSON_ARRAY())`;
  const ranked = '(SELECT ROW_NUMBER() OVER (ORDER BY id) AS n, id, name FROM principles)';
  const fixes = `${ranked} p1, ${ranked} p2 WHERE p1.n = 1 + MOD(s.seq, ${principles}) AND p2.n = 1 + MOD(s.seq * 7 + 3, ${principles})`;
  await run(`INSERT INTO critique_versions (critique_id, version, doc, fixes, moments, coach_name, sent_at)
    SELECT ${idOf('a', 's.seq')}, 1, JSON_OBJECT('type', 'doc', 'content', JSON_ARRAY(JSON_OBJECT('type', 'paragraph', 'content',
      JSON_ARRAY(JSON_OBJECT('type', 'text', 'text', ${sentence('s.seq')}))))), JSON_ARRAY(${fix(1)}, ${fix(2)}), '[]', 'Marit', NOW() - INTERVAL s.seq HOUR
    FROM seq_1_to_${requests} s, ${fixes}`);
  for (const at of [1, 2])
    await run(`INSERT INTO sent_fixes (critique_id, position, fix_id, principle_id, note_ids)
      SELECT ${idOf('a', 's.seq')}, ${at}, p${at}.id, p${at}.id, '[]' FROM seq_1_to_${requests} s, ${fixes}`);
  await run(`INSERT INTO notes (id, request_id, footage_id, from_frame, to_frame, kind, layer, athlete, seen, severity, what, instead, principle_id)
    SELECT ${idOf('9', 's.seq')}, ${idOf('d', `1 + MOD(s.seq, ${requests})`)}, ${idOf('e', `1 + MOD(s.seq, ${requests})`)}, MOD(s.seq * 37, 9000), NULL,
      ELT(1 + MOD(s.seq, 4), 'mistake', 'mistake', 'missed-chance', 'good'), 'technical', 'client', 'clear', 2, ${sentence('s.seq')}, '[]', p.id
    FROM seq_1_to_${notes} s JOIN ${numbered} ON p.n = 1 + MOD(s.seq * 13, ${principles})`);
  // The last twentieth of those that were answered was measured at the desk: a quarter of an hour each.
  await run(`INSERT INTO desk_time (account_id, minute_at, request_id, seconds)
    SELECT a.id, '2026-01-01 00:00:00' + INTERVAL (s.seq * 20 + m.seq) MINUTE, ${idOf('d', `(${waiting} + s.seq)`)}, 60
    FROM seq_1_to_${Math.max(1, Math.floor(requests / 20))} s, seq_1_to_15 m, (SELECT id FROM accounts WHERE role = 'coach' LIMIT 1) a
    WHERE ${waiting} + s.seq <= ${requests}`);
  if (waiting > 0) {
    await run(`DELETE k FROM critiques k JOIN seq_1_to_${waiting} s ON k.id = ${idOf('a', 's.seq')}`);
    await run(`UPDATE requests r JOIN seq_1_to_${waiting} s ON r.id = ${idOf('d', 's.seq')}
      SET r.state = 'waiting', r.ready_at = r.sent_at, r.due_at = NOW() + INTERVAL MOD(s.seq * 37, 300) HOUR`);
    await run(`UPDATE footages f JOIN seq_1_to_${waiting} s ON f.id = ${idOf('e', 's.seq')} SET f.released = TRUE`);
  }
  await run(noteEntries('TRUE').replace('INSERT', 'INSERT IGNORE'));
  await run('DROP TABLE fill_words');
  // A practice that grew over years has been counted by the database; this one came all at once.
  await run('ANALYZE TABLE requests, footages, bouts, critiques, critique_versions, sent_fixes, notes, search_entries, search_words');
}
