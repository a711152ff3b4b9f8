/** The decision before a note, and what clients chose at it when they were asked. */
export const statements = [
  'ALTER TABLE notes ADD COLUMN fork JSON NULL',
  "ALTER TABLE critiques ADD COLUMN fork_choices JSON NOT NULL DEFAULT '{}'",
];
