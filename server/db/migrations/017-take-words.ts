/** How far the words of a take have come that are laid to its voice; and answers that are spoken. */
export const statements = ['ALTER TABLE takes ADD COLUMN words JSON NULL', 'ALTER TABLE questions ADD COLUMN answer_take JSON NULL'];
