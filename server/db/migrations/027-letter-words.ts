/** Who gets letters by mail or only in the app, by whose wish; of a letter whose it is, of what kind, and whether it was read. */
export const statements = [
  "ALTER TABLE accounts ADD COLUMN letters_by VARCHAR(10) NOT NULL DEFAULT 'letter', ADD COLUMN letters_stopped_at DATETIME(6) NULL",
  `ALTER TABLE letters ADD COLUMN account_id UUID NULL, ADD COLUMN kind VARCHAR(30) NULL, ADD COLUMN in_app BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN read_at DATETIME(6) NULL, ADD KEY letters_of_account (account_id, written_at),
    ADD FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE SET NULL`,
];
