/** Questions about an instant of what was spoken. */
export const statements = ['ALTER TABLE questions ADD COLUMN spoken JSON NULL'];
