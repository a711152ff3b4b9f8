import type { LettersBy, Role } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface AccountRow {
  id: string;
  name: string;
  email: string;
  passwordHash: string;
  role: Role;
  /** Came with the demo: its password stands in the README. */
  demo: boolean;
  /** Since when they may not sign in. */
  pausedAt?: Date | null;
  /** Whether letters go to their address, or are only kept in the app. */
  lettersBy?: LettersBy;
  /** Since when they want none themselves: then nobody else lets them be sent again. */
  lettersStoppedAt?: Date | null;
  /** Of the second step at the door, sealed; there before it is asked for. */
  secondSecret?: string | null;
  /** Since when it is asked for. */
  secondSince?: Date | null;
  /** Its last time step that was used: a code is taken once. */
  secondStep?: number;
}
export interface RecoveryCodeRow {
  accountId: string;
  digest: string;
}
export interface AccountClientRow {
  accountId: string;
  clientId: string;
  /** Since when a guardian has agreed; null for others, and before. */
  agreedAt?: Date | null;
}

/** A try at signing in; its subject is a digest of who tried. */
export interface SignInTryRow {
  id?: number;
  subject: string;
  triedAt: Date;
}

export const accessTables = (sequelize: Sequelize) => ({
  accounts: defineTable<AccountRow>(sequelize, 'accounts', {
    id: key(),
    name: DataTypes.STRING,
    email: DataTypes.STRING,
    passwordHash: DataTypes.STRING,
    role: DataTypes.STRING,
    demo: DataTypes.BOOLEAN,
    pausedAt: instantColumn,
    lettersBy: DataTypes.STRING,
    lettersStoppedAt: instantColumn,
    secondSecret: DataTypes.STRING,
    secondSince: instantColumn,
    secondStep: DataTypes.BIGINT,
  }),
  recoveryCodes: defineTable<RecoveryCodeRow>(sequelize, 'recovery_codes', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    digest: { type: DataTypes.CHAR(64), primaryKey: true },
  }),
  signInTries: defineTable<SignInTryRow>(sequelize, 'sign_in_tries', {
    id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    subject: DataTypes.CHAR(64),
    triedAt: instantColumn,
  }),
  accountClients: defineTable<AccountClientRow>(sequelize, 'account_clients', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    clientId: { type: DataTypes.UUID, primaryKey: true },
    agreedAt: instantColumn,
  }),
});
