import type { Drawing, Mark, Note } from '@lean-mentor/core/desk';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, key } from '../../db/table.ts';

interface OfRequest {
  requestId: string;
}
export type MarkRow = Mark & OfRequest;
export type NoteRow = Note & OfRequest;
export type DrawingRow = Drawing & OfRequest & { made?: number };
export interface DeskChangeRow extends OfRequest {
  changeId: string;
  accountId: string | null;
  changeJson: object;
  sequence?: number;
}

const requestId = DataTypes.UUID;
const footageId = DataTypes.UUID;

export const deskTables = (sequelize: Sequelize) => ({
  marks: defineTable<MarkRow>(sequelize, 'marks', { id: key(), requestId, footageId, atFrame: DataTypes.INTEGER, state: DataTypes.STRING }),
  notes: defineTable<NoteRow>(sequelize, 'notes', {
    id: key(),
    requestId,
    footageId,
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    kind: DataTypes.STRING,
    athlete: DataTypes.STRING,
    seen: DataTypes.STRING,
    severity: DataTypes.INTEGER,
    what: DataTypes.TEXT,
    instead: DataTypes.JSON,
    markId: DataTypes.UUID,
  }),
  drawings: defineTable<DrawingRow>(sequelize, 'drawings', {
    id: key(),
    requestId,
    footageId,
    tool: DataTypes.STRING,
    colour: DataTypes.STRING,
    points: DataTypes.JSON,
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    made: DataTypes.BIGINT,
  }),
  deskChanges: defineTable<DeskChangeRow>(sequelize, 'desk_changes', {
    changeId: key(),
    requestId,
    accountId: DataTypes.UUID,
    changeJson: DataTypes.JSON,
    sequence: DataTypes.BIGINT,
  }),
});
