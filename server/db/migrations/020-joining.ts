/** Invitations, forgotten passwords, letters whose link is nobody else's, and whose each session is. */
export const statements = [
  `CREATE TABLE invitations (
    id UUID PRIMARY KEY, digest CHAR(64) NOT NULL UNIQUE, role VARCHAR(12) NOT NULL, name VARCHAR(120) NOT NULL, email VARCHAR(254) NOT NULL,
    client_id UUID NULL, level INT NULL, born_on DATE NULL, invited_by UUID NOT NULL, letter_id UUID NULL, made_at DATETIME(6) NOT NULL,
    expires_at DATETIME(6) NOT NULL, accepted_at DATETIME(6) NULL, KEY (made_at),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE)`,
  `CREATE TABLE forgotten_passwords (
    digest CHAR(64) PRIMARY KEY, account_id UUID NOT NULL, letter_id UUID NULL, made_at DATETIME(6) NOT NULL, expires_at DATETIME(6) NOT NULL,
    KEY (account_id, made_at), FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
  // A one-time link; null where there is none, or it has been used.
  'ALTER TABLE letters ADD COLUMN link VARCHAR(120) NULL',
  "ALTER TABLE sessions ADD COLUMN account_id CHAR(36) AS (JSON_VALUE(data, '$.accountId')) PERSISTENT, ADD KEY sessions_of_account (account_id)",
];
