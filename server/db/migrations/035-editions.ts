/** What can be looked at of a footage that is still being made ready: the number of the last edition and how much it holds. */
export const statements = [
  `ALTER TABLE footages ADD COLUMN edition INT NOT NULL DEFAULT 0, ADD COLUMN edition_seconds DOUBLE NULL, ADD KEY footages_edition (edition)`,
];
