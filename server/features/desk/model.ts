import type { DeskChange, DeskEntity, Drawing, Mark, Note } from '@lean-mentor/core/desk';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, key } from '../../db/table.ts';

interface OfRequest {
  requestId: string;
}
export type MarkRow = Mark & OfRequest;
export type NoteRow = Note & OfRequest;
export type DrawingRow = Drawing & OfRequest & { made?: number };
/** What needs no columns: measurements, comparisons, takes, looks and conflicts. */
export interface DeskItemRow extends OfRequest {
  id: string;
  entity: DeskEntity;
  thing: { id: string };
  made?: number;
}
export interface DeskChangeRow extends OfRequest {
  changeId: string;
  accountId: string | null;
  thingId: string | null;
  changeJson: DeskChange;
  /** What came of it where it met others; empty when it changed nothing. */
  effects: DeskChange[];
  sequence?: number;
}

const requestId = DataTypes.UUID;
const footageId = DataTypes.UUID;

export const deskTables = (sequelize: Sequelize) => ({
  marks: defineTable<MarkRow>(sequelize, 'marks', {
    id: key(),
    requestId,
    footageId,
    atFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    state: DataTypes.STRING,
  }),
  notes: defineTable<NoteRow>(sequelize, 'notes', {
    id: key(),
    requestId,
    footageId,
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    kind: DataTypes.STRING,
    layer: DataTypes.STRING,
    athlete: DataTypes.STRING,
    seen: DataTypes.STRING,
    severity: DataTypes.INTEGER,
    what: DataTypes.TEXT,
    instead: DataTypes.JSON,
    principleId: DataTypes.UUID,
    visible: DataTypes.STRING,
    causes: DataTypes.JSON,
    ledTo: DataTypes.JSON,
    pairId: DataTypes.UUID,
    clipId: DataTypes.UUID,
    comparisonId: DataTypes.UUID,
    markId: DataTypes.UUID,
    fork: DataTypes.JSON,
  }),
  drawings: defineTable<DrawingRow>(sequelize, 'drawings', {
    id: key(),
    requestId,
    footageId,
    tool: DataTypes.STRING,
    colour: DataTypes.STRING,
    weight: DataTypes.STRING,
    words: DataTypes.STRING,
    points: DataTypes.JSON,
    keys: { type: DataTypes.JSON, field: 'move_keys' },
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    made: DataTypes.BIGINT,
  }),
  deskItems: defineTable<DeskItemRow>(sequelize, 'desk_things', {
    id: key(),
    requestId,
    entity: DataTypes.STRING,
    thing: DataTypes.JSON,
    made: DataTypes.BIGINT,
  }),
  deskChanges: defineTable<DeskChangeRow>(sequelize, 'desk_changes', {
    changeId: key(),
    requestId,
    accountId: DataTypes.UUID,
    thingId: DataTypes.UUID,
    changeJson: DataTypes.JSON,
    effects: DataTypes.JSON,
    sequence: DataTypes.BIGINT,
  }),
});
