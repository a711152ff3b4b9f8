/** When a letter left for its reader, and why it could not. */
export const statements = ['ALTER TABLE letters ADD COLUMN sent_at DATETIME(6) NULL, ADD COLUMN failure TEXT NULL'];
