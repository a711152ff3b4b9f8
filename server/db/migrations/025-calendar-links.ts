/** Addresses under which a calendar program reads a coach's day: one of each account, the address itself in nobody's hands but theirs. */
export const statements = [
  `CREATE TABLE calendar_links (
    account_id UUID PRIMARY KEY, digest CHAR(64) NOT NULL UNIQUE, made_at DATETIME(6) NOT NULL, read_at DATETIME(6) NULL,
    FOREIGN KEY (account_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
];
