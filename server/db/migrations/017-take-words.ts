/** How far the words of a take have come that are laid to its voice. */
export const statements = ['ALTER TABLE takes ADD COLUMN words JSON NULL'];
