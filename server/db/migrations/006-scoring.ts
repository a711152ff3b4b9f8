/**
 * What is coded of a bout beside its spans, the same in seconds (so that a client's whole history is counted without reading every
 * frame table), the coach's own rule sheets, and what holds for the whole practice. A row of a sheet is one version and never changes.
 */
export const statements = [
  `ALTER TABLE bouts ADD COLUMN events JSON NOT NULL DEFAULT '[]', ADD COLUMN timed JSON NULL, ADD COLUMN sheet_id UUID NULL`,
  `CREATE TABLE rule_sheets (
    id UUID PRIMARY KEY, family_id UUID NOT NULL, version INT NOT NULL, sheet JSON NOT NULL, made_at DATETIME(6) NOT NULL,
    retired BOOLEAN NOT NULL DEFAULT FALSE, UNIQUE KEY (family_id, version))`,
  'CREATE TABLE practice_settings (name VARCHAR(40) PRIMARY KEY, value JSON NOT NULL)',
];
