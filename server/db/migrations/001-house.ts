/** The house: accounts and sessions, clients, requests, footage and jobs, the desk, critiques, letters. */
export const statements = [
  `CREATE TABLE accounts (
    id UUID PRIMARY KEY, name VARCHAR(120) NOT NULL, email VARCHAR(254) NOT NULL UNIQUE, password_hash VARCHAR(255) NOT NULL,
    role ENUM('coach','assistant','client','guardian') NOT NULL)`,
  `CREATE TABLE clients (
    id UUID PRIMARY KEY, name VARCHAR(120) NOT NULL, level TINYINT NOT NULL, born_on DATE NULL, about TEXT NOT NULL,
    hurts JSON NOT NULL, agreements JSON NOT NULL)`,
  `CREATE TABLE account_clients (
    account_id UUID NOT NULL, client_id UUID NOT NULL, PRIMARY KEY (account_id, client_id),
    FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE, FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE)`,
  `CREATE TABLE sessions (
    sid VARCHAR(64) PRIMARY KEY, expires DATETIME NULL, data TEXT, created_at DATETIME NULL, updated_at DATETIME NULL, KEY (expires))`,
  `CREATE TABLE requests (
    id UUID PRIMARY KEY, client_id UUID NOT NULL, kind ENUM('sparring','match') NOT NULL, attire ENUM('jacket','no-jacket') NOT NULL,
    who_client VARCHAR(120) NOT NULL, who_partner VARCHAR(120) NOT NULL, question TEXT NOT NULL,
    state ENUM('uploading','waiting','sent') NOT NULL, sent_at DATETIME(6) NOT NULL, due_at DATETIME(6) NOT NULL,
    KEY (client_id, sent_at), KEY (state, due_at), FOREIGN KEY (client_id) REFERENCES clients(id))`,
  `CREATE TABLE footages (
    id UUID PRIMARY KEY, request_id UUID NOT NULL UNIQUE, file_name VARCHAR(255) NOT NULL, byte_size BIGINT NOT NULL, upload_id VARCHAR(64) NULL UNIQUE,
    state ENUM('uploading','waiting','working','ready','failed') NOT NULL, step VARCHAR(60) NOT NULL, share DOUBLE NOT NULL, seconds_left DOUBLE NULL,
    failure TEXT NULL, width INT NULL, height INT NULL, frame_count INT NULL, seconds DOUBLE NULL, changed_at DATETIME(6) NOT NULL,
    KEY (changed_at), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE bouts (
    id UUID PRIMARY KEY, footage_id UUID NOT NULL, from_frame INT NOT NULL, to_frame INT NOT NULL, spans JSON NOT NULL,
    FOREIGN KEY (footage_id) REFERENCES footages(id) ON DELETE CASCADE)`,
  `CREATE TABLE jobs (
    id UUID PRIMARY KEY, kind VARCHAR(40) NOT NULL, subject_id UUID NOT NULL, state ENUM('waiting','running','done','resting') NOT NULL,
    attempts INT NOT NULL DEFAULT 0, run_after DATETIME(6) NOT NULL, claimed_by VARCHAR(80) NULL, heartbeat_at DATETIME(6) NULL, reason TEXT NULL,
    KEY (state, run_after), UNIQUE KEY (kind, subject_id))`,
  `CREATE TABLE marks (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, at_frame INT NOT NULL, state ENUM('open','noted','let-go') NOT NULL,
    KEY (request_id), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE notes (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, from_frame INT NOT NULL, to_frame INT NULL,
    kind ENUM('mistake','missed-chance','good','question','caution') NOT NULL, athlete ENUM('client','partner') NOT NULL,
    seen ENUM('clear','likely','hidden') NOT NULL, severity TINYINT NOT NULL, what TEXT NOT NULL, instead JSON NOT NULL, mark_id UUID NULL,
    KEY (request_id), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE drawings (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, tool VARCHAR(20) NOT NULL, colour VARCHAR(20) NOT NULL, points JSON NOT NULL,
    from_frame INT NOT NULL, to_frame INT NOT NULL, made BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
    KEY (request_id), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE desk_changes (
    change_id UUID PRIMARY KEY, request_id UUID NOT NULL, account_id UUID NULL, change_json JSON NOT NULL, sequence BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
    KEY (request_id, sequence), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE critiques (
    id UUID PRIMARY KEY, request_id UUID NOT NULL UNIQUE, opening TEXT NOT NULL, note_ids JSON NOT NULL,
    sent_at DATETIME(6) NULL, read_at DATETIME(6) NULL, fixes JSON NOT NULL, coach_name VARCHAR(120) NOT NULL,
    FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE letters (
    id UUID PRIMARY KEY, to_name VARCHAR(120) NOT NULL, to_address VARCHAR(254) NOT NULL, subject VARCHAR(255) NOT NULL, body TEXT NOT NULL,
    written_at DATETIME(6) NOT NULL, KEY (written_at))`,
];
