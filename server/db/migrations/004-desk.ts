/**
 * The whole desk: notes with layer, principle, readers, causes, pair and clip; drawings with weight, words and keys; marks on ranges;
 * what needs no columns of its own (measurements, comparisons, memos, looks, conflicts) as JSON; and what came of each edit.
 */
export const statements = [
  'ALTER TABLE marks ADD COLUMN to_frame INT NULL',
  `ALTER TABLE notes ADD COLUMN layer VARCHAR(20) NOT NULL DEFAULT 'technical', ADD COLUMN principle_id UUID NULL,
    ADD COLUMN visible VARCHAR(10) NOT NULL DEFAULT 'client', ADD COLUMN causes JSON NOT NULL DEFAULT '[]', ADD COLUMN pair_id UUID NULL,
    ADD COLUMN clip_id UUID NULL, ADD COLUMN comparison_id UUID NULL, ADD KEY notes_of_principle (principle_id)`,
  `ALTER TABLE drawings ADD COLUMN weight VARCHAR(10) NOT NULL DEFAULT 'plain', ADD COLUMN words VARCHAR(120) NOT NULL DEFAULT '',
    ADD COLUMN move_keys JSON NOT NULL DEFAULT '[]'`,
  `CREATE TABLE desk_things (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, entity VARCHAR(20) NOT NULL, thing JSON NOT NULL, made BIGINT NOT NULL AUTO_INCREMENT UNIQUE,
    KEY (request_id, made), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
  'CREATE TABLE principles (id UUID PRIMARY KEY, name VARCHAR(120) NOT NULL, KEY (name))',
  `ALTER TABLE desk_changes ADD COLUMN effects JSON NOT NULL DEFAULT '[]', ADD COLUMN thing_id UUID NULL, ADD KEY changes_of_thing (thing_id, sequence)`,
];
