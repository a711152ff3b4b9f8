/** Films of takes: what is in them, how they are made, and how far that has come. */
export const statements = [
  `CREATE TABLE films (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, footage_id UUID NOT NULL, take_id UUID NOT NULL,
    critique_id UUID NULL, version INT NULL, place INT NULL, spoken LONGTEXT NOT NULL, size VARCHAR(10) NOT NULL, words VARCHAR(10) NOT NULL,
    state VARCHAR(10) NOT NULL, share DOUBLE NOT NULL DEFAULT 0, seconds_left DOUBLE NULL, bytes BIGINT NULL, failure TEXT NULL,
    asked_by UUID NOT NULL, asked_at DATETIME(6) NOT NULL, made_at DATETIME(6) NULL,
    KEY (take_id), KEY (critique_id), KEY (asked_at), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
];
