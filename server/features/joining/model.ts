import type { InvitedRole } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface InvitationRow {
  id: string;
  /** Of the token in its link: the token itself is in the letter alone. */
  digest: string;
  role: InvitedRole;
  name: string;
  email: string;
  /** Whose guardian. */
  clientId: string | null;
  /** Of a client. */
  level: number | null;
  bornOn: string | null;
  invitedBy: string;
  letterId: string | null;
  madeAt: Date;
  expiresAt: Date;
  acceptedAt: Date | null;
}

export interface ForgottenRow {
  digest: string;
  accountId: string;
  letterId: string | null;
  madeAt: Date;
  expiresAt: Date;
}

export const joiningTables = (sequelize: Sequelize) => ({
  invitations: defineTable<InvitationRow>(sequelize, 'invitations', {
    id: key(),
    digest: DataTypes.CHAR(64),
    role: DataTypes.STRING,
    name: DataTypes.STRING,
    email: DataTypes.STRING,
    clientId: DataTypes.UUID,
    level: DataTypes.INTEGER,
    bornOn: DataTypes.DATEONLY,
    invitedBy: DataTypes.UUID,
    letterId: DataTypes.UUID,
    madeAt: instantColumn,
    expiresAt: instantColumn,
    acceptedAt: instantColumn,
  }),
  forgottenPasswords: defineTable<ForgottenRow>(sequelize, 'forgotten_passwords', {
    digest: { type: DataTypes.CHAR(64), primaryKey: true },
    accountId: DataTypes.UUID,
    letterId: DataTypes.UUID,
    madeAt: instantColumn,
    expiresAt: instantColumn,
  }),
});
