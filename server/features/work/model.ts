import type { Training } from '@lean-mentor/contract';
import type { FixVerdict } from '@lean-mentor/core/followup';
import type { WorkSession, WorkTerms } from '@lean-mentor/core/work';
import type { BodyPart, BodySide } from '@lean-mentor/core/care';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface WorkRow {
  id: string;
  clientId: string;
  principleId: string | null;
  requestId: string | null;
  terms: WorkTerms;
  fromOn: string;
  /** Why it was given although it loads what hurts; empty where it does not. */
  care: string;
  givenBy: string;
  givenAt: Date;
  endedOn: string | null;
  endedWhy: 'coach' | 'holds' | null;
  endedWords: string;
  /** The last day for which a reminder went out. */
  remindedOn: string | null;
  /** What its retests say, that with most tests; kept here, since a list of hundreds cannot wait for as many exact tests. */
  verdict: FixVerdict | null;
  revision: number;
}

export interface WorkDoneRow {
  id: string;
  workId: string;
  clientId: string;
  doneOn: string;
  entry: Omit<WorkSession, 'id' | 'doneOn'>;
  enteredAt: Date;
  seenAt: Date | null;
  requestId: string | null;
}

interface TrainingRow {
  clientId: string;
  training: Training;
  changedAt: Date;
}

export interface PainRow {
  id: string;
  clientId: string;
  doneId: string | null;
  part: BodyPart;
  side: BodySide | null;
  words: string;
  raisedOn: string;
  settledAt: Date | null;
  /** The day on which it was, where the client is. */
  settledOn: string | null;
  settledBy: string | null;
  settledWords: string;
}

export const workTables = (sequelize: Sequelize) => ({
  work: defineTable<WorkRow>(sequelize, 'work', {
    id: key(),
    clientId: DataTypes.UUID,
    principleId: DataTypes.UUID,
    requestId: DataTypes.UUID,
    terms: DataTypes.JSON,
    fromOn: DataTypes.DATEONLY,
    care: DataTypes.STRING,
    givenBy: DataTypes.STRING,
    givenAt: instantColumn,
    endedOn: DataTypes.DATEONLY,
    endedWhy: DataTypes.STRING,
    endedWords: DataTypes.STRING,
    remindedOn: DataTypes.DATEONLY,
    verdict: DataTypes.STRING,
    revision: DataTypes.INTEGER,
  }),
  workDone: defineTable<WorkDoneRow>(sequelize, 'work_done', {
    id: key(),
    workId: DataTypes.UUID,
    clientId: DataTypes.UUID,
    doneOn: DataTypes.DATEONLY,
    entry: DataTypes.JSON,
    enteredAt: instantColumn,
    seenAt: instantColumn,
    requestId: DataTypes.UUID,
  }),
  training: defineTable<TrainingRow>(sequelize, 'training', {
    clientId: key(),
    training: DataTypes.JSON,
    changedAt: instantColumn,
  }),
  pains: defineTable<PainRow>(sequelize, 'pains', {
    id: key(),
    clientId: DataTypes.UUID,
    doneId: DataTypes.UUID,
    part: DataTypes.STRING,
    side: DataTypes.STRING,
    words: DataTypes.STRING,
    raisedOn: DataTypes.DATEONLY,
    settledAt: instantColumn,
    settledOn: DataTypes.DATEONLY,
    settledBy: DataTypes.STRING,
    settledWords: DataTypes.STRING,
  }),
});
