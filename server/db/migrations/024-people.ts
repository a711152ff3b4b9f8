/** Sign-ins that are paused, and since when a guardian has agreed to what is done with a minor's footage. */
export const statements = [
  'ALTER TABLE accounts ADD COLUMN paused_at DATETIME(6) NULL',
  'ALTER TABLE account_clients ADD COLUMN agreed_at DATETIME(6) NULL',
  `UPDATE account_clients ac JOIN accounts a ON a.id = ac.account_id SET ac.agreed_at = UTC_TIMESTAMP(6) WHERE a.role = 'guardian'`,
];
