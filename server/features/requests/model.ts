import type { Request } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface RequestRow {
  id: string;
  clientId: string;
  kind: Request['kind'];
  attire: Request['attire'];
  whoClient: string;
  whoPartner: string;
  question: string;
  state: Request['state'];
  sentAt: Date;
  dueAt: Date;
}

export const requestTables = (sequelize: Sequelize) => ({
  requests: defineTable<RequestRow>(sequelize, 'requests', {
    id: key(),
    clientId: DataTypes.UUID,
    kind: DataTypes.STRING,
    attire: DataTypes.STRING,
    whoClient: DataTypes.STRING,
    whoPartner: DataTypes.STRING,
    question: DataTypes.TEXT,
    state: DataTypes.STRING,
    sentAt: instantColumn,
    dueAt: instantColumn,
  }),
});
