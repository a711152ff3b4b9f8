/** A second factor at sign-in: its sealed secret, since when it is asked for, the last time step that was used; codes for who lost it. */
export const statements = [
  `ALTER TABLE accounts ADD COLUMN second_secret VARCHAR(200) NULL, ADD COLUMN second_since DATETIME(6) NULL,
    ADD COLUMN second_step BIGINT NOT NULL DEFAULT 0`,
  `CREATE TABLE recovery_codes (
    account_id UUID NOT NULL, digest CHAR(64) NOT NULL, PRIMARY KEY (account_id, digest),
    FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
];
