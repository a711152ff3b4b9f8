/**
 * Invoices, which stand as they were written (the database itself refuses to change them), and what happened with the money for them.
 * A client who is removed leaves the invoice behind, without a name to look up: it is a record of money. Tables of the payment stand-in.
 */
export const statements = [
  `CREATE TABLE invoices (
    id UUID PRIMARY KEY, number INT NOT NULL UNIQUE, client_id UUID NULL, recipient VARCHAR(200) NOT NULL, seller TEXT NOT NULL, note TEXT NOT NULL,
    issued_on DATE NOT NULL, due_on DATE NOT NULL, currency CHAR(3) NOT NULL, items JSON NOT NULL, total DECIMAL(10,2) NOT NULL,
    cancels UUID NULL UNIQUE, membership_id UUID NULL, period_no INT NULL, extra_id UUID NULL UNIQUE, made_by UUID NULL, made_at DATETIME(6) NOT NULL,
    reminded_at DATETIME(6) NULL, KEY (client_id), KEY (issued_on), UNIQUE KEY invoice_of_period (membership_id, period_no),
    FOREIGN KEY (client_id) REFERENCES clients(id) ON DELETE SET NULL, FOREIGN KEY (cancels) REFERENCES invoices(id))`,
  `CREATE TABLE payments (
    id UUID PRIMARY KEY, invoice_id UUID NOT NULL, provider VARCHAR(40) NOT NULL, reference VARCHAR(120) NOT NULL, amount DECIMAL(10,2) NOT NULL,
    page VARCHAR(500) NOT NULL, begun_by UUID NULL, begun_at DATETIME(6) NOT NULL, asked_at DATETIME(6) NULL, UNIQUE KEY (provider, reference),
    KEY (begun_at), FOREIGN KEY (invoice_id) REFERENCES invoices(id))`,
  `CREATE TABLE money_entries (
    id UUID PRIMARY KEY, invoice_id UUID NOT NULL, payment_id UUID NULL, event VARCHAR(120) NULL, kind VARCHAR(20) NOT NULL,
    amount DECIMAL(10,2) NOT NULL, at DATETIME(6) NOT NULL, words VARCHAR(200) NOT NULL, made_by UUID NULL, made_at DATETIME(6) NOT NULL,
    UNIQUE KEY entry_of_event (payment_id, event), KEY (at), FOREIGN KEY (invoice_id) REFERENCES invoices(id),
    FOREIGN KEY (payment_id) REFERENCES payments(id))`,
  `CREATE TABLE stand_in_payments (
    reference VARCHAR(120) PRIMARY KEY, amount DECIMAL(10,2) NOT NULL, currency CHAR(3) NOT NULL, words VARCHAR(200) NOT NULL,
    told JSON NOT NULL)`,
  `CREATE TRIGGER invoices_stand BEFORE UPDATE ON invoices FOR EACH ROW
    IF NOT (NEW.id <=> OLD.id AND NEW.number <=> OLD.number AND NEW.recipient <=> OLD.recipient AND NEW.seller <=> OLD.seller
      AND NEW.note <=> OLD.note AND NEW.issued_on <=> OLD.issued_on AND NEW.due_on <=> OLD.due_on AND NEW.currency <=> OLD.currency
      AND NEW.items <=> OLD.items AND NEW.total <=> OLD.total AND NEW.cancels <=> OLD.cancels)
    THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'An invoice stays as it was written.'; END IF`,
];
