/** Whether a finish ends a bout, where it is not as rounds of its kind usually go. */
export const statements = ['ALTER TABLE bouts ADD COLUMN after_finish VARCHAR(8) NULL'];
