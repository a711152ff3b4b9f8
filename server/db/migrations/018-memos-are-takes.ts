/**
 * A spoken note becomes a take of its note's frame, under its own id; one whose note is gone could not be heard any more. Its sound is put
 * where takes have theirs by a job, since it may have to be fetched from afar.
 */
export const statements = [
  `INSERT IGNORE INTO jobs (id, kind, subject_id, state, attempts, run_after)
    SELECT UUID(), 'carry-memo', m.id, 'waiting', 0, UTC_TIMESTAMP(6) FROM desk_things m WHERE m.entity = 'memo'`,
  `UPDATE desk_things m JOIN notes n ON n.id = JSON_VALUE(m.thing, '$.noteId')
    SET m.entity = 'take', m.thing = JSON_OBJECT('id', m.id, 'footageId', n.footage_id, 'noteId', n.id, 'title', LEFT(n.what, 60),
      'cuts', JSON_ARRAY(), 'captions', JSON_ARRAY(), 'chapters', JSON_ARRAY())
    WHERE m.entity = 'memo'`,
  "DELETE FROM desk_things WHERE entity = 'memo'",
];
