/** Spoken critiques: their recordings, and the pieces in which they come. */
export const statements = [
  `CREATE TABLE takes (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, state VARCHAR(10) NOT NULL, pieces JSON NOT NULL DEFAULT '[]',
    part_seconds JSON NOT NULL DEFAULT '[]', seconds DOUBLE NOT NULL DEFAULT 0, peaks JSON NOT NULL DEFAULT '[]',
    silences JSON NOT NULL DEFAULT '[]', failure TEXT NULL, changed_at DATETIME(6) NOT NULL,
    KEY (request_id), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  `CREATE TABLE take_pieces (
    take_id UUID NOT NULL, part INT NOT NULL, piece INT NOT NULL, type VARCHAR(20) NOT NULL, events LONGTEXT NOT NULL,
    PRIMARY KEY (take_id, part, piece), FOREIGN KEY (take_id) REFERENCES takes(id) ON DELETE CASCADE)`,
  `CREATE TABLE takes_heard (
    critique_id UUID NOT NULL, version INT NOT NULL, place INT NOT NULL, stretches JSON NOT NULL DEFAULT '[]', changed_at DATETIME(6) NOT NULL,
    PRIMARY KEY (critique_id, version, place), FOREIGN KEY (critique_id) REFERENCES critiques(id) ON DELETE CASCADE)`,
  "ALTER TABLE critique_versions ADD COLUMN takes JSON NOT NULL DEFAULT '[]'",
];
