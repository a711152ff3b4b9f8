/**
 * Sending in steps: what the client says becomes one JSON column that may be half-filled; a request has several footages, and
 * what lies on its desk says of which; bouts carry what a day of matches needs.
 */
export const statements = [
  `ALTER TABLE requests ADD COLUMN intake JSON NULL, ADD COLUMN step VARCHAR(20) NOT NULL DEFAULT 'check',
    ADD COLUMN exchange JSON NOT NULL DEFAULT '[]', ADD COLUMN stopped_at DATETIME(6) NULL, ADD COLUMN consent_withdrawn_at DATETIME(6) NULL,
    MODIFY COLUMN state ENUM('draft','guardian','uploading','waiting','need-first','sent','withdrawn') NOT NULL`,
  `UPDATE requests SET intake = JSON_OBJECT('whoClient', who_client, 'whoPartner', who_partner, 'question', question, 'attire', attire,
    'kind', IF(kind = 'sparring', 'hard-sparring', kind), 'ruleSheet', IF(kind = 'match', CONCAT('points-', attire), 'open-mat'),
    'partnerConsent', 'agreed')`,
  `ALTER TABLE requests MODIFY COLUMN intake JSON NOT NULL, DROP COLUMN kind, DROP COLUMN attire, DROP COLUMN who_client,
    DROP COLUMN who_partner, DROP COLUMN question`,
  `ALTER TABLE footages ADD COLUMN position INT NOT NULL DEFAULT 1, ADD COLUMN alignment JSON NULL, ADD COLUMN original_key VARCHAR(120) NULL,
    MODIFY COLUMN state ENUM('uploading','waiting','working','ready','failed','removed') NOT NULL`,
  `UPDATE footages SET original_key = CONCAT('footage/', id, '/original') WHERE state <> 'uploading'`,
  'ALTER TABLE footages ADD KEY footages_of_request (request_id, position), DROP KEY request_id',
  `ALTER TABLE bouts ADD COLUMN proposed BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN place INT NOT NULL DEFAULT 1, ADD COLUMN length_seconds DOUBLE NULL,
    ADD COLUMN rule_sheet VARCHAR(40) NULL, ADD COLUMN client_words VARCHAR(120) NOT NULL DEFAULT '', ADD COLUMN partner_words VARCHAR(120) NOT NULL DEFAULT '',
    ADD COLUMN outcome VARCHAR(10) NULL, ADD COLUMN outcome_words VARCHAR(120) NOT NULL DEFAULT ''`,
  ...['marks', 'notes', 'drawings'].flatMap((table) => [
    `ALTER TABLE ${table} ADD COLUMN footage_id UUID NULL`,
    `UPDATE ${table} t JOIN footages f ON f.request_id = t.request_id SET t.footage_id = f.id`,
    `ALTER TABLE ${table} MODIFY COLUMN footage_id UUID NOT NULL, ADD FOREIGN KEY (footage_id) REFERENCES footages(id) ON DELETE CASCADE`,
  ]),
  'CREATE TABLE upload_locks (upload_id VARCHAR(64) PRIMARY KEY, holder UUID NOT NULL, wanted BOOLEAN NOT NULL, beat_at DATETIME(6) NOT NULL)',
  'ALTER TABLE jobs ADD COLUMN payload JSON NULL',
  // What was made ready before has no strip and no sound: it is made ready again.
  `UPDATE jobs j JOIN footages f ON f.id = j.subject_id SET j.state = 'waiting', j.attempts = 0, f.state = 'waiting', f.step = 'Waiting its turn', f.share = 0
    WHERE j.kind = 'make-ready' AND j.state = 'done' AND f.state = 'ready'`,
  // A critique has at most three fixes; a path that is not there is left alone.
  `UPDATE critiques c JOIN footages f ON f.request_id = c.request_id SET c.fixes = JSON_SET(c.fixes,
    '$[0].note.footageId', f.id, '$[1].note.footageId', f.id, '$[2].note.footageId', f.id) WHERE JSON_LENGTH(c.fixes) > 0`,
];
