/** A paragraph and a block of a critique's tree, as SQL: what was sent before is rewritten as the written critique it now is. */
const paragraph = (text: string): string =>
  `JSON_OBJECT('type', 'paragraph', 'content', JSON_ARRAY(JSON_OBJECT('type', 'text', 'text', ${text})))`;
const nothing = `JSON_OBJECT('type', 'paragraph')`;
const listItem = `JSON_OBJECT('type', 'listItem', 'content', JSON_ARRAY(${paragraph("CONCAT(IF(i.whenever = '', '', CONCAT('If ', i.whenever, ': ')), i.what)")}))`;
const instead = `COALESCE((SELECT JSON_OBJECT('type', 'orderedList', 'content', JSON_ARRAYAGG(${listItem}))
  FROM JSON_TABLE(f.note, '$.instead[*]' COLUMNS (whenever TEXT PATH '$.when', what TEXT PATH '$.do')) i HAVING COUNT(*) > 0), ${nothing})`;
const block = `JSON_OBJECT('type', 'fix', 'attrs', JSON_OBJECT('fixId', f.note_id, 'principleId', NULL, 'name', LEFT(IF(f.what = '', 'A fix', f.what), 80)),
  'content', JSON_ARRAY(IF(f.what = '', ${nothing}, ${paragraph('f.what')}), JSON_OBJECT('type', 'moment', 'attrs', JSON_OBJECT('noteId', f.note_id, 'show', 'clip')), ${instead}))`;
const fixTable = `JSON_TABLE(c.fixes, '$[*]' COLUMNS (place FOR ORDINALITY, fix JSON PATH '$', note JSON PATH '$.note', note_id CHAR(36) PATH '$.note.id',
  what TEXT PATH '$.note.what')) f`;
const array = (of: string): string => `COALESCE((SELECT JSON_ARRAYAGG(${of} ORDER BY f.place) FROM ${fixTable}), JSON_ARRAY())`;
const opening = `IF(c.opening = '', ${nothing}, ${paragraph('c.opening')})`;

/** Written critiques with their versions, the fixes that were sent, questions about them, and what was decided on the ladder. */
export const statements = [
  `ALTER TABLE critiques ADD COLUMN doc JSON NULL, ADD COLUMN revision INT NOT NULL DEFAULT 0, ADD COLUMN version INT NOT NULL DEFAULT 0,
    ADD COLUMN understood JSON NOT NULL DEFAULT '{}', ADD COLUMN code CHAR(8) NULL UNIQUE`,
  `CREATE TABLE critique_versions (
    critique_id UUID NOT NULL, version INT NOT NULL, doc JSON NOT NULL, fixes JSON NOT NULL, moments JSON NOT NULL, coach_name VARCHAR(120) NOT NULL,
    sent_at DATETIME(6) NOT NULL, PRIMARY KEY (critique_id, version), FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
  `CREATE TABLE sent_fixes (
    critique_id UUID NOT NULL, position INT NOT NULL, fix_id UUID NOT NULL, principle_id UUID NULL, note_ids JSON NOT NULL,
    PRIMARY KEY (critique_id, position), KEY (principle_id), FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
  `INSERT INTO critique_versions (critique_id, version, doc, fixes, moments, coach_name, sent_at)
    SELECT c.id, 1, JSON_OBJECT('type', 'doc', 'content', JSON_MERGE_PRESERVE(JSON_ARRAY(${opening}), ${array(block)})),
      ${array(`JSON_OBJECT('position', f.place, 'fixId', f.note_id, 'principleId', NULL, 'name', LEFT(IF(f.what = '', 'A fix', f.what), 80), 'noteIds', JSON_ARRAY(f.note_id))`)},
      ${array(`JSON_REMOVE(f.fix, '$.position')`)}, c.coach_name, c.sent_at
    FROM critiques c WHERE c.sent_at IS NOT NULL`,
  `INSERT INTO sent_fixes (critique_id, position, fix_id, principle_id, note_ids)
    SELECT c.id, f.place, f.note_id, NULL, JSON_ARRAY(f.note_id) FROM critiques c, ${fixTable} WHERE c.sent_at IS NOT NULL`,
  `UPDATE critiques c SET c.doc = JSON_OBJECT('type', 'doc', 'content', JSON_ARRAY(${opening})), c.revision = 1 WHERE c.sent_at IS NULL`,
  `UPDATE critiques c JOIN critique_versions v ON v.critique_id = c.id SET c.doc = v.doc, c.revision = 1, c.version = 1,
    c.code = REPLACE(REPLACE(LEFT(MD5(c.id), 8), '0', 'g'), '1', 'h')`,
  'ALTER TABLE critiques DROP COLUMN opening, DROP COLUMN note_ids, DROP COLUMN fixes, DROP COLUMN coach_name',
  `CREATE TABLE questions (
    id UUID PRIMARY KEY, critique_id UUID NOT NULL, fix_id UUID NULL, note_id UUID NULL, words TEXT NOT NULL, asked_by VARCHAR(120) NOT NULL,
    asked_at DATETIME(6) NOT NULL, answer TEXT NULL, answered_by VARCHAR(120) NULL, answered_at DATETIME(6) NULL, KEY (critique_id), KEY (answered_at, asked_at),
    FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
  `CREATE TABLE fix_choices (
    request_id UUID PRIMARY KEY, choice JSON NOT NULL, computed JSON NULL, sent JSON NULL, sent_at DATETIME(6) NULL, KEY (sent_at),
    FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
];
