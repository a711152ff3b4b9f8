/** What a client's body must not bear, as it was agreed on. */
export const statements = ["ALTER TABLE clients ADD COLUMN limits JSON NOT NULL DEFAULT '[]'"];
