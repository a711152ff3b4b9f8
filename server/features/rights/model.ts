import type { KeptKind, Role } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn } from '../../db/table.ts';

/** That somebody looked at something of a client, or changed it, within an hour. */
export interface TrailRow {
  clientId: string;
  /** The hour's beginning. */
  hourAt: Date;
  accountId: string;
  /** The request it was about; the client's own id where it was about none. */
  aboutId: string;
  room: string;
  changed: boolean;
  byName: string;
  byRole: Role;
}

/** That a client is to be forgotten, or was. */
export interface ForgettingRow {
  clientId: string;
  /** Who asked; empty once it is done. */
  askedBy: string;
  askedAt: Date;
  dueAt: Date;
  doneAt: Date | null;
  /** How much went. */
  went: KeptKind[];
}

export const rightsTables = (sequelize: Sequelize) => ({
  trail: defineTable<TrailRow>(sequelize, 'trail', {
    clientId: { type: DataTypes.UUID, primaryKey: true },
    hourAt: { type: DataTypes.DATE, primaryKey: true },
    accountId: { type: DataTypes.UUID, primaryKey: true },
    aboutId: { type: DataTypes.UUID, primaryKey: true },
    room: { type: DataTypes.STRING, primaryKey: true },
    changed: { type: DataTypes.BOOLEAN, primaryKey: true },
    byName: DataTypes.STRING,
    byRole: DataTypes.STRING,
  }),
  forgettings: defineTable<ForgettingRow>(sequelize, 'forgettings', {
    clientId: { type: DataTypes.UUID, primaryKey: true },
    askedBy: DataTypes.STRING,
    askedAt: instantColumn,
    dueAt: instantColumn,
    doneAt: instantColumn,
    went: DataTypes.JSON,
  }),
});
