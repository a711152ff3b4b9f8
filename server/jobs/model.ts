import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../db/table.ts';

export interface JobRow {
  id: string;
  kind:
    | 'make-ready'
    | 'remove-footage'
    | 'make-clip'
    | 'make-export'
    | 'make-take'
    | 'make-voices'
    | 'make-pictures'
    | 'make-film'
    | 'lay-words'
    | 'carry-memo'
    | 'send-letter';
  subjectId: string;
  /** resting: tried often enough; somebody must ask again. */
  state: 'waiting' | 'running' | 'done' | 'resting';
  attempts: number;
  runAfter: Date;
  claimedBy: string | null;
  heartbeatAt: Date | null;
  reason: string | null;
  /** Whose it is, so that nobody's many jobs hold up another's one. */
  owner: string | null;
  /** remove-footage: what is to be removed, since the rows that knew may be gone. */
  payload: { keys: string[]; uploadIds: string[] } | null;
}

export const jobTables = (sequelize: Sequelize) => ({
  jobs: defineTable<JobRow>(sequelize, 'jobs', {
    id: key(),
    kind: DataTypes.STRING,
    subjectId: DataTypes.UUID,
    state: DataTypes.STRING,
    attempts: DataTypes.INTEGER,
    runAfter: instantColumn,
    claimedBy: DataTypes.STRING,
    heartbeatAt: instantColumn,
    reason: DataTypes.TEXT,
    owner: DataTypes.STRING,
    payload: DataTypes.JSON,
  }),
});
