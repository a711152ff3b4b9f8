import type { Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface ClosedThreadRow {
  clientId: string;
  principleId: string;
  closedAt: Date;
}

export const followupTables = (sequelize: Sequelize) => ({
  closedThreads: defineTable<ClosedThreadRow>(sequelize, 'closed_threads', {
    clientId: key(),
    principleId: key(),
    closedAt: instantColumn,
  }),
});
