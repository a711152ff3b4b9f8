import type { Bout, Footage } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface FootageRow {
  id: string;
  requestId: string;
  fileName: string;
  byteSize: number;
  uploadId: string | null;
  state: Footage['state'];
  step: string;
  share: number;
  secondsLeft: number | null;
  failure: string | null;
  width: number | null;
  height: number | null;
  frameCount: number | null;
  seconds: number | null;
  /** Null until it has been looked at. */
  advice: string[] | null;
  changedAt: Date;
}
export interface BoutRow extends Bout {
  footageId: string;
}

export const footageTables = (sequelize: Sequelize) => ({
  footages: defineTable<FootageRow>(sequelize, 'footages', {
    id: key(),
    requestId: DataTypes.UUID,
    fileName: DataTypes.STRING,
    byteSize: DataTypes.BIGINT,
    uploadId: DataTypes.STRING,
    state: DataTypes.STRING,
    step: DataTypes.STRING,
    share: DataTypes.DOUBLE,
    secondsLeft: DataTypes.DOUBLE,
    failure: DataTypes.TEXT,
    width: DataTypes.INTEGER,
    height: DataTypes.INTEGER,
    frameCount: DataTypes.INTEGER,
    seconds: DataTypes.DOUBLE,
    advice: DataTypes.JSON,
    changedAt: instantColumn,
  }),
  bouts: defineTable<BoutRow>(sequelize, 'bouts', {
    id: key(),
    footageId: DataTypes.UUID,
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    spans: DataTypes.JSON,
  }),
});
