import type { TakePiece, TakeRecording } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

/** The recording of a take. What can be changed of it lies on the desk under the same id. `pieces`: what each part shall have. */
export interface TakeRow extends Omit<TakeRecording, 'canBeHeard'> {
  requestId: string;
  changedAt: Date;
}

/** Some seconds of a take as they came; its sound is in storage. */
export interface TakePieceRow {
  takeId: string;
  part: number;
  piece: number;
  type: TakePiece['type'];
  /** JSON: the events of these seconds. */
  events: string;
}

export const takeTables = (sequelize: Sequelize) => ({
  takes: defineTable<TakeRow>(sequelize, 'takes', {
    id: key(),
    requestId: DataTypes.UUID,
    state: DataTypes.STRING,
    pieces: DataTypes.JSON,
    partSeconds: DataTypes.JSON,
    seconds: DataTypes.DOUBLE,
    peaks: DataTypes.JSON,
    silences: DataTypes.JSON,
    failure: DataTypes.TEXT,
    words: DataTypes.JSON,
    changedAt: instantColumn,
  }),
  takePieces: defineTable<TakePieceRow>(sequelize, 'take_pieces', {
    takeId: key(),
    part: { type: DataTypes.INTEGER, primaryKey: true },
    piece: { type: DataTypes.INTEGER, primaryKey: true },
    type: DataTypes.STRING,
    events: DataTypes.TEXT('long'),
  }),
});
