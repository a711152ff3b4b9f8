/** What was agreed that a body must not bear because of what a request says hurts today: the client’s own, and the partner’s. */
export const statements = [`ALTER TABLE requests ADD COLUMN limits JSON NOT NULL DEFAULT '{"own":[],"partner":[]}'`];
