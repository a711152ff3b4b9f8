/** What is coded that a note led to: points conceded, taps. */
export const statements = ["ALTER TABLE notes ADD COLUMN led_to JSON NOT NULL DEFAULT '[]'"];
