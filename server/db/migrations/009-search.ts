/** A note as it is found by its words: what was said of it, what to do instead, and what its principle is called. */
export const noteEntries = (where: string): string => `
  INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, at)
  SELECT n.id, 'note', n.kind, r.client_id, n.request_id,
    CONCAT_WS(' ', p.name, n.what, REGEXP_REPLACE(n.instead, '"(when|do)":|[\\\\[\\\\]{}",]', ' ')), r.sent_at
  FROM notes n JOIN requests r ON r.id = n.request_id LEFT JOIN principles p ON p.id = n.principle_id WHERE ${where}`;

/** The words of a text, each as the search knows it: small letters, at most forty of them. */
const wordsOf = (text: string): string =>
  `JSON_TABLE(CONCAT('["', REGEXP_REPLACE(LOWER(${text}), '[^\\\\pL\\\\pN]+', '","'), '"]'), '$[*]' COLUMNS (word VARCHAR(40) PATH '$')) t`;

/** One table for all that is searched by words; an index for threads, and those that the coach closed; read-only links to critiques. */
export const statements = [
  `CREATE TABLE search_entries (
    row_id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, entry_id UUID NOT NULL UNIQUE, entry VARCHAR(12) NOT NULL, kind VARCHAR(20) NULL,
    client_id UUID NOT NULL, request_id UUID NOT NULL, words TEXT NOT NULL, at DATETIME(6) NOT NULL, KEY of_client (client_id, at), KEY of_kind (kind, at), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  // Which entries hold a word: read from the newest down, so that a common word answers at once. Kept by the database itself.
  `CREATE TABLE search_words (word VARCHAR(40) NOT NULL, row_id BIGINT NOT NULL, PRIMARY KEY (word, row_id), KEY of_row (row_id))`,
  `CREATE TRIGGER search_words_in AFTER INSERT ON search_entries FOR EACH ROW
    INSERT IGNORE INTO search_words (word, row_id) SELECT t.word, NEW.row_id FROM ${wordsOf('NEW.words')} WHERE CHAR_LENGTH(t.word) > 2`,
  'CREATE TRIGGER search_words_out AFTER DELETE ON search_entries FOR EACH ROW DELETE FROM search_words WHERE row_id = OLD.row_id',
  noteEntries('TRUE'),
  `INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, at)
    SELECT r.id, 'request', NULL, r.client_id, r.id, JSON_VALUE(r.intake, '$.question'), r.sent_at FROM requests r
    WHERE r.state <> 'draft' AND JSON_VALUE(r.intake, '$.question') IS NOT NULL`,
  // What a client's threads are counted from, read from the index alone: the notes of a client lie far apart.
  'ALTER TABLE notes ADD KEY notes_of_request (request_id, principle_id, kind, athlete), DROP KEY request_id',
  `CREATE TABLE closed_threads (client_id UUID NOT NULL, principle_id UUID NOT NULL, closed_at DATETIME(6) NOT NULL, PRIMARY KEY (client_id, principle_id),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE)`,
  `CREATE TABLE critique_links (
    id UUID PRIMARY KEY, critique_id UUID NOT NULL, token_hash CHAR(64) NOT NULL UNIQUE, for_name VARCHAR(120) NOT NULL, made_at DATETIME(6) NOT NULL,
    expires_at DATETIME(6) NOT NULL, opened INT NOT NULL DEFAULT 0, KEY (critique_id), FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
];
