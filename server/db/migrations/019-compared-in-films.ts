/** Which footages besides its own a film shows: it goes when one of them is removed. */
export const statements = ["ALTER TABLE films ADD COLUMN compared JSON NOT NULL DEFAULT '[]'"];
