/** The coach's book: what a principle says besides its name, and drills. */
export const statements = [
  `ALTER TABLE principles ADD COLUMN entry JSON NOT NULL DEFAULT '{}'`,
  'CREATE TABLE drills (id UUID PRIMARY KEY, name VARCHAR(120) NOT NULL, entry JSON NOT NULL, KEY (name))',
];
