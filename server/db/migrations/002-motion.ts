/** What is wrong with footage for a reviewer, in words; null until it has been looked at. */
export const statements = ['ALTER TABLE footages ADD COLUMN advice JSON NULL'];
