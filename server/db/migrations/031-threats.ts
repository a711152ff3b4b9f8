/** Finishing attacks of a bout, beside its positions. */
export const statements = ["ALTER TABLE bouts ADD COLUMN threats JSON NOT NULL DEFAULT '[]'"];
