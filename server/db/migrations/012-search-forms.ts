/**
 * A note as it is found by its words: what was said of it, what to do instead, and what its principle is called. Beside these, what it is
 * found by without being said: the chance its principle counts, the position it stands in, and whose it is, each after a letter.
 */
const noteEntries = (where: string): string => `
  INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
  SELECT n.id, 'note', n.kind, r.client_id, n.request_id,
    CONCAT_WS(' ', p.name, n.what, REGEXP_REPLACE(n.instead, '"(when|do)":|[\\\\[\\\\]{}",]', ' ')),
    CONCAT_WS('\\n', CONCAT('c ', NULLIF(JSON_VALUE(p.entry, '$.chances'), '')), CONCAT('l ', REPLACE((
      SELECT s.position FROM bouts b, JSON_TABLE(b.spans, '$[*]' COLUMNS (position VARCHAR(40) PATH '$.position', f INT PATH '$.fromFrame', t INT PATH '$.toFrame')) s
      WHERE b.footage_id = n.footage_id AND b.from_frame <= n.from_frame AND n.from_frame < b.to_frame AND s.f <= n.from_frame AND n.from_frame < s.t LIMIT 1
    ), '-', ' ')), CONCAT('n ', c.name)),
    r.sent_at
  FROM notes n JOIN requests r ON r.id = n.request_id JOIN clients c ON c.id = r.client_id LEFT JOIN principles p ON p.id = n.principle_id WHERE ${where}`;

/** The words of a text, each as the search knows it: small letters, at most forty of them. */
const wordsOf = (text: string): string =>
  `JSON_TABLE(CONCAT('["', REGEXP_REPLACE(LOWER(${text}), '[^\\\\pL\\\\pN]+', '","'), '"]'), '$[*]' COLUMNS (word VARCHAR(40) PATH '$')) t`;

/**
 * What is said of clients themselves is found too, and notes by what they are about without saying it. When each version of a critique was
 * read.
 */
export const statements = [
  "ALTER TABLE search_entries ADD COLUMN also TEXT NOT NULL DEFAULT '', MODIFY request_id UUID NULL",
  'DROP TRIGGER search_words_in',
  `CREATE TRIGGER search_forms_in AFTER INSERT ON search_entries FOR EACH ROW
    INSERT IGNORE INTO search_words (word, row_id) SELECT t.word, NEW.row_id FROM ${wordsOf("CONCAT(NEW.words, ' ', NEW.also)")} WHERE CHAR_LENGTH(t.word) > 2`,
  "DELETE FROM search_entries WHERE entry = 'note'",
  noteEntries('TRUE'),
  `INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
    SELECT c.id, 'client', NULL, c.id, NULL, CONCAT_WS('\\n', c.name, REGEXP_REPLACE(c.hurts, '[\\\\[\\\\]",]', ' '), REGEXP_REPLACE(c.agreements, '[\\\\[\\\\]",]', ' '), c.about), '', UTC_TIMESTAMP(6)
    FROM clients c`,
  'ALTER TABLE critique_versions ADD COLUMN read_at DATETIME(6) NULL',
  'UPDATE critique_versions v JOIN critiques c ON c.id = v.critique_id AND c.version = v.version SET v.read_at = c.read_at',
];
