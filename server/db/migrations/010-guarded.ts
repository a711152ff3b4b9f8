/**
 * Who may see and undo what: footage is shown to the coaching side once it was let go; bouts know how often they were changed; a sent
 * critique keeps what it was written from. Accounts of the demo are marked. Tries at signing in, and exports that are being made.
 */
export const statements = [
  'ALTER TABLE accounts ADD COLUMN demo BOOLEAN NOT NULL DEFAULT FALSE',
  "UPDATE accounts SET demo = TRUE WHERE email LIKE '%@skerrow.example'",
  'ALTER TABLE footages ADD COLUMN released BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN retry_helps BOOLEAN NOT NULL DEFAULT TRUE',
  `UPDATE footages f JOIN requests r ON r.id = f.request_id SET f.released = TRUE WHERE r.state NOT IN ('draft', 'guardian')`,
  'ALTER TABLE bouts ADD COLUMN version INT NOT NULL DEFAULT 1, ADD COLUMN changed_by UUID NULL',
  'ALTER TABLE critique_versions ADD COLUMN written_from JSON NULL',
  `CREATE TABLE sign_in_tries (
    id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, subject CHAR(64) NOT NULL, tried_at DATETIME(6) NOT NULL, KEY (subject, tried_at), KEY (tried_at))`,
  'ALTER TABLE jobs ADD COLUMN owner VARCHAR(64) NULL, ADD KEY jobs_of_owner (owner, state)',
  `CREATE TABLE exports (
    id UUID PRIMARY KEY, critique_id UUID NOT NULL, version INT NOT NULL, form VARCHAR(10) NOT NULL, asked_by UUID NOT NULL, asked_at DATETIME(6) NOT NULL,
    state ENUM('waiting','ready','failed') NOT NULL, file_name VARCHAR(255) NOT NULL, KEY (critique_id), KEY (asked_at),
    FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
];
