import type { Role } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, key } from '../../db/table.ts';

export interface AccountRow {
  id: string;
  name: string;
  email: string;
  passwordHash: string;
  role: Role;
}
export interface AccountClientRow {
  accountId: string;
  clientId: string;
}

export const accessTables = (sequelize: Sequelize) => ({
  accounts: defineTable<AccountRow>(sequelize, 'accounts', {
    id: key(),
    name: DataTypes.STRING,
    email: DataTypes.STRING,
    passwordHash: DataTypes.STRING,
    role: DataTypes.STRING,
  }),
  accountClients: defineTable<AccountClientRow>(sequelize, 'account_clients', {
    accountId: { type: DataTypes.UUID, primaryKey: true },
    clientId: { type: DataTypes.UUID, primaryKey: true },
  }),
});
