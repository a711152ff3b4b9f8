/** The coach's own clips. */
export const statements = [
  `CREATE TABLE clips (
    id UUID PRIMARY KEY, title VARCHAR(120) NOT NULL, state ENUM('empty','working','ready','failed') NOT NULL, failure TEXT NULL,
    seconds DOUBLE NULL, made_at DATETIME(6) NOT NULL, KEY (title))`,
  'ALTER TABLE notes ADD KEY notes_of_clip (clip_id)',
];
