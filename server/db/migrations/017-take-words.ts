/** How far the words of a take have come that are laid to its voice; answers that are spoken; and takes are found by their words. */
export const statements = [
  'ALTER TABLE takes ADD COLUMN words JSON NULL',
  'ALTER TABLE questions ADD COLUMN answer_take JSON NULL',
  String.raw`INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
    SELECT d.id, 'take', NULL, r.client_id, r.id, CONCAT_WS(' ', JSON_VALUE(d.thing, '$.title'),
      REGEXP_REPLACE(IFNULL(JSON_EXTRACT(d.thing, '$.chapters[*].title', '$.captions[*].words'), ''), '[\\[\\]",]+', ' ')),
      CONCAT('n ', c.name), IFNULL(r.sent_at, UTC_TIMESTAMP(6))
    FROM desk_things d JOIN requests r ON r.id = d.request_id JOIN clients c ON c.id = r.client_id WHERE d.entity = 'take'`,
];
