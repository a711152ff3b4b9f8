/** Pauses, plans and who has which; the promise of a request, its place in the order by hand, and minutes at the desk. */
export const statements = [
  `CREATE TABLE pauses (
    id UUID PRIMARY KEY, from_at DATETIME(6) NOT NULL, until_at DATETIME(6) NOT NULL, words VARCHAR(300) NOT NULL, made_at DATETIME(6) NOT NULL,
    KEY (until_at))`,
  `CREATE TABLE plans (
    id UUID PRIMARY KEY, name VARCHAR(80) NOT NULL, price DECIMAL(10,2) NOT NULL, extra_price DECIMAL(10,2) NOT NULL, period VARCHAR(10) NOT NULL,
    requests_per_period INT NOT NULL, turnaround JSON NOT NULL, plan_rank INT NOT NULL, includes JSON NOT NULL, made_at DATETIME(6) NOT NULL,
    retired_at DATETIME(6) NULL)`,
  `CREATE TABLE memberships (
    id UUID PRIMARY KEY, client_id UUID NOT NULL, plan_id UUID NOT NULL, from_on DATE NOT NULL, until_on DATE NULL, gifted BOOLEAN NOT NULL DEFAULT FALSE,
    pauses JSON NOT NULL, made_at DATETIME(6) NOT NULL, KEY (client_id, from_on),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE, FOREIGN KEY (plan_id) REFERENCES plans(id))`,
  // One request more in a period, bought or given.
  `CREATE TABLE extra_requests (
    id UUID PRIMARY KEY, membership_id UUID NOT NULL, period_on DATE NOT NULL, gifted BOOLEAN NOT NULL, made_at DATETIME(6) NOT NULL,
    KEY (membership_id, period_on), FOREIGN KEY (membership_id) REFERENCES memberships(id) ON DELETE CASCADE)`,
  `ALTER TABLE requests ADD COLUMN ready_at DATETIME(6) NULL, ADD COLUMN said_by_at DATETIME(6) NULL, ADD COLUMN promise_moved_at DATETIME(6) NULL,
    ADD COLUMN membership_id UUID NULL, ADD COLUMN period_on DATE NULL, ADD COLUMN place INT NULL,
    ADD KEY requests_of_membership (membership_id, period_on)`,
  "UPDATE requests SET ready_at = sent_at WHERE state IN ('waiting', 'need-first', 'sent')",
  `CREATE TABLE desk_time (
    account_id UUID NOT NULL, minute_at DATETIME NOT NULL, request_id UUID NOT NULL, seconds TINYINT UNSIGNED NOT NULL,
    PRIMARY KEY (account_id, minute_at, request_id), KEY (request_id), FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE)`,
];
