/**
 * What of each table is about one client: the rows that forgetting removes, and that are taken along. One list for removing, for taking
 * and for counting, so that none of them can leave out what another names; a test sees that no table of the database is missing.
 */
export interface AboutClient {
  /** SQL that is true for the client's rows; `:clientId`, `:name` (in full) and `:naming` (a LIKE pattern of it). */
  whose: string;
  /** What they are, said to people; null where they say nothing that other rows do not. */
  words: string | null;
  /** Columns that open a way in, and so are not taken along. */
  secret?: readonly string[];
}

const requests = 'SELECT id FROM requests WHERE client_id = :clientId';
const footages = `SELECT id FROM footages WHERE request_id IN (${requests})`;
const critiques = `SELECT id FROM critiques WHERE request_id IN (${requests})`;
const takes = `SELECT id FROM takes WHERE request_id IN (${requests})`;
/** Sign-ins that stand for this client and nobody else. A guardian of another one stays. */
const accounts = `SELECT ac.account_id FROM account_clients ac JOIN accounts a ON a.id = ac.account_id
  WHERE ac.client_id = :clientId AND a.role IN ('client', 'guardian')
    AND NOT EXISTS (SELECT 1 FROM account_clients o WHERE o.account_id = ac.account_id AND o.client_id <> :clientId)`;
const standingFor = 'SELECT account_id FROM account_clients WHERE client_id = :clientId';
const addresses = `SELECT email FROM accounts WHERE id IN (${accounts}) UNION SELECT email FROM invitations WHERE client_id = :clientId`;

/** Theirs, and of those that are nobody's sign-in's what went to their address or names them; a namesake's own stay. */
const letters = `account_id IN (${accounts}) OR ((account_id IS NULL OR account_id IN (${standingFor}))
  AND (to_address IN (${addresses}) OR to_name = :name OR subject LIKE :naming OR body LIKE :naming))`;
const subjects = [
  footages,
  critiques,
  takes,
  ...['exports', 'questions'].map((table) => `SELECT id FROM ${table} WHERE critique_id IN (${critiques})`),
  `SELECT id FROM films WHERE request_id IN (${requests})`,
  `SELECT id FROM letters WHERE ${letters}`,
  requests,
].join(' UNION ');

const ofClient = 'client_id = :clientId';
const ofRequests = `request_id IN (${requests})`;
const ofCritiques = `critique_id IN (${critiques})`;
const ofAccounts = `account_id IN (${accounts})`;

/** By table, in the order in which rows go: what hangs on others first. */
export const aboutClient: Readonly<Record<string, AboutClient>> = {
  search_words: { whose: 'row_id IN (SELECT row_id FROM search_entries WHERE client_id = :clientId)', words: null },
  search_entries: { whose: ofClient, words: null },
  jobs: { whose: `owner = :clientId OR subject_id IN (${subjects})`, words: null },
  letters: { whose: letters, words: 'letters', secret: ['link'] },
  take_pieces: { whose: `take_id IN (${takes})`, words: null },
  takes_heard: { whose: ofCritiques, words: 'notes of what was listened to' },
  films: { whose: ofRequests, words: 'films' },
  takes: { whose: ofRequests, words: 'spoken parts' },
  exports: { whose: ofCritiques, words: null },
  questions: { whose: ofCritiques, words: 'questions and answers' },
  critique_links: { whose: ofCritiques, words: 'links to read', secret: ['token_hash'] },
  critique_versions: { whose: ofCritiques, words: 'versions of critiques' },
  sent_fixes: { whose: ofCritiques, words: 'fixes that were sent' },
  critiques: { whose: ofRequests, words: 'critiques' },
  fix_choices: { whose: ofRequests, words: 'choices of what to send' },
  hand_overs: { whose: ofRequests, words: 'handings over between coaches' },
  desk_time: { whose: ofRequests, words: null },
  desk_changes: { whose: ofRequests, words: null },
  desk_things: { whose: ofRequests, words: 'things on the desk' },
  drawings: { whose: ofRequests, words: 'drawings' },
  notes: { whose: ofRequests, words: 'notes' },
  marks: { whose: ofRequests, words: 'marks' },
  bouts: { whose: `footage_id IN (${footages})`, words: 'bouts' },
  upload_locks: { whose: `upload_id IN (SELECT upload_id FROM footages WHERE ${ofRequests})`, words: null },
  footages: { whose: ofRequests, words: 'videos with everything made from them', secret: ['upload_id'] },
  pains: { whose: ofClient, words: 'pains that were told' },
  work_done: { whose: ofClient, words: 'entries of work done' },
  work: { whose: ofClient, words: 'pieces of work' },
  training: { whose: ofClient, words: 'pages about how they train' },
  closed_threads: { whose: ofClient, words: 'closed threads' },
  extra_requests: { whose: `membership_id IN (SELECT id FROM memberships WHERE ${ofClient})`, words: 'extra requests' },
  memberships: { whose: ofClient, words: 'memberships' },
  requests: { whose: ofClient, words: 'requests' },
  calendar_links: { whose: ofAccounts, words: null },
  recovery_codes: { whose: ofAccounts, words: null },
  forgotten_passwords: { whose: ofAccounts, words: null },
  sessions: { whose: ofAccounts, words: null },
  accounts: {
    whose: `id IN (${accounts})`,
    words: 'sign-ins',
    secret: ['password_hash', 'second_secret', 'second_step'],
  },
  account_clients: { whose: ofClient, words: null },
  invitations: { whose: ofClient, words: 'invitations', secret: ['digest'] },
  trail: { whose: ofClient, words: 'notes of who looked at what' },
  clients: { whose: 'id = :clientId', words: 'records of who they are' },
};

/** Money records, which the law of most places has kept for years: taken along, and not removed. No footage hangs on them. */
export const keptRecords: Readonly<Record<string, AboutClient>> = {
  invoices: { whose: ofClient, words: 'invoices' },
  payments: { whose: `invoice_id IN (SELECT id FROM invoices WHERE ${ofClient})`, words: 'payments', secret: ['page'] },
  money_entries: { whose: `invoice_id IN (SELECT id FROM invoices WHERE ${ofClient})`, words: 'entries of money' },
};

/** Tables in which nothing is about a client: how the practice works, its book, and what the house keeps for itself. */
export const aboutNobody: readonly string[] = [
  ...['clips', 'drills', 'principles', 'rule_sheets', 'plans', 'pauses', 'practice_settings'],
  // Digests that nobody can read back, gone within the hour.
  'sign_in_tries',
  // What the stand-in for a payment service keeps of its own.
  'stand_in_payments',
  // Who was forgotten: an id that names nobody any more.
  'forgettings',
  ...['migrations', 'migration_steps'],
];
