import type { SentFix } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface CritiqueRow {
  id: string;
  requestId: string;
  opening: string;
  noteIds: string[];
  /** Null while it is a draft. */
  sentAt: Date | null;
  readAt: Date | null;
  fixes: SentFix[];
  coachName: string;
}

export const critiqueTables = (sequelize: Sequelize) => ({
  critiques: defineTable<CritiqueRow>(sequelize, 'critiques', {
    id: key(),
    requestId: DataTypes.UUID,
    opening: DataTypes.TEXT,
    noteIds: DataTypes.JSON,
    sentAt: instantColumn,
    readAt: instantColumn,
    fixes: DataTypes.JSON,
    coachName: DataTypes.STRING,
  }),
});
