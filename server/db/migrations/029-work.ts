/** Work that clients do: what was given, what was done of it, how they train, and where they told of pain. */
export const statements = [
  `CREATE TABLE work (
    id UUID PRIMARY KEY, client_id UUID NOT NULL, principle_id UUID NULL, request_id UUID NULL, terms JSON NOT NULL, from_on DATE NOT NULL,
    care VARCHAR(300) NOT NULL, given_by VARCHAR(255) NOT NULL, given_at DATETIME(6) NOT NULL, ended_on DATE NULL, ended_why VARCHAR(10) NULL,
    ended_words VARCHAR(300) NOT NULL, reminded_on DATE NULL, verdict VARCHAR(20) NULL, revision INT NOT NULL, KEY (client_id, given_at), KEY (ended_on, from_on),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE, FOREIGN KEY (principle_id) REFERENCES principles(id) ON DELETE SET NULL,
    FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE SET NULL)`,
  `CREATE TABLE work_done (
    id UUID PRIMARY KEY, work_id UUID NOT NULL, client_id UUID NOT NULL, done_on DATE NOT NULL, entry JSON NOT NULL,
    entered_at DATETIME(6) NOT NULL, seen_at DATETIME(6) NULL, request_id UUID NULL, KEY (work_id, done_on), KEY (client_id, seen_at),
    FOREIGN KEY (work_id) REFERENCES work(id) ON DELETE CASCADE, FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE,
    FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE SET NULL)`,
  `CREATE TABLE training (
    client_id UUID PRIMARY KEY, training JSON NOT NULL, changed_at DATETIME(6) NOT NULL,
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE)`,
  `CREATE TABLE pains (
    id UUID PRIMARY KEY, client_id UUID NOT NULL, done_id UUID NULL, part VARCHAR(20) NOT NULL, side VARCHAR(10) NULL, words VARCHAR(200) NOT NULL,
    raised_on DATE NOT NULL, settled_at DATETIME(6) NULL, settled_on DATE NULL, settled_by VARCHAR(255) NULL, settled_words VARCHAR(300) NOT NULL,
    KEY (client_id, settled_at), FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE CASCADE,
    FOREIGN KEY (done_id) REFERENCES work_done(id) ON DELETE SET NULL)`,
  // Who was sent something lately is asked for every minute.
  'ALTER TABLE critiques ADD KEY critiques_sent (sent_at)',
];
