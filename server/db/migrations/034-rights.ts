/** Who looked at or changed what of a client, by hours; and who asked to be forgotten, or was: then only that, and when, is left. */
export const statements = [
  `CREATE TABLE trail (
    client_id UUID NOT NULL, hour_at DATETIME NOT NULL, account_id UUID NOT NULL, about_id UUID NOT NULL, room VARCHAR(20) NOT NULL,
    changed TINYINT(1) NOT NULL, by_name VARCHAR(120) NOT NULL, by_role VARCHAR(12) NOT NULL,
    PRIMARY KEY (client_id, hour_at, account_id, about_id, room, changed), KEY (hour_at),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE)`,
  `CREATE TABLE forgettings (
    client_id UUID PRIMARY KEY, asked_by VARCHAR(120) NOT NULL, asked_at DATETIME(6) NOT NULL, due_at DATETIME(6) NOT NULL,
    done_at DATETIME(6) NULL, went JSON NOT NULL DEFAULT '[]', KEY (done_at, due_at))`,
];
