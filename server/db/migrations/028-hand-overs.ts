/** Requests and parts of them in other hands of the coaching side, until when, and what was said about them. */
export const statements = [
  `CREATE TABLE hand_overs (
    id UUID PRIMARY KEY, request_id UUID NOT NULL, part VARCHAR(10) NOT NULL, bout_id UUID NULL, from_id UUID NOT NULL, to_id UUID NOT NULL,
    due_on DATE NOT NULL, state VARCHAR(12) NOT NULL, said JSON NOT NULL, made_at DATETIME(6) NOT NULL, KEY (to_id, state), KEY (state, due_on),
    FOREIGN KEY (request_id) REFERENCES requests(id) ON DELETE CASCADE, FOREIGN KEY (bout_id) REFERENCES bouts(id) ON DELETE SET NULL,
    FOREIGN KEY (from_id) REFERENCES accounts(id) ON DELETE CASCADE, FOREIGN KEY (to_id) REFERENCES accounts(id) ON DELETE CASCADE)`,
];
