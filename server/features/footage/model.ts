import type { Alignment, Bout, Footage } from '@lean-mentor/contract';
import type { TimedBout } from '@lean-mentor/core/scoring';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface FootageRow {
  id: string;
  requestId: string;
  /** Place among the request's footages, from 1. */
  position: number;
  fileName: string;
  byteSize: number;
  uploadId: string | null;
  /** Where its bytes are kept, once they have all arrived. */
  originalKey: string | null;
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
  alignment: Alignment | null;
  changedAt: Date;
  /** Client and guardian have let it go: the coaching side may see it. */
  released: boolean;
  /** Of one that failed: whether making it ready again can help, since the fault was ours. */
  retryHelps: boolean;
  /** How often what is made of its review copy was put out before the rest was there; 0 where that is not kept (any more). */
  edition: number;
  /** How much of it the last edition holds, in seconds. */
  editionSeconds: number | null;
}
export interface BoutRow extends Bout {
  footageId: string;
  /** Who changed it last. */
  changedBy?: string | null;
  /** What is coded, in seconds; null while nothing is, or the footage's frame times are not known. */
  timed?: TimedBout | null;
}

export const footageTables = (sequelize: Sequelize) => ({
  footages: defineTable<FootageRow>(sequelize, 'footages', {
    id: key(),
    requestId: DataTypes.UUID,
    position: DataTypes.INTEGER,
    fileName: DataTypes.STRING,
    byteSize: DataTypes.BIGINT,
    uploadId: DataTypes.STRING,
    originalKey: DataTypes.STRING,
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
    alignment: DataTypes.JSON,
    changedAt: instantColumn,
    released: DataTypes.BOOLEAN,
    retryHelps: DataTypes.BOOLEAN,
    edition: DataTypes.INTEGER,
    editionSeconds: DataTypes.DOUBLE,
  }),
  bouts: defineTable<BoutRow>(sequelize, 'bouts', {
    id: key(),
    footageId: DataTypes.UUID,
    version: DataTypes.INTEGER,
    changedBy: DataTypes.UUID,
    fromFrame: DataTypes.INTEGER,
    toFrame: DataTypes.INTEGER,
    spans: DataTypes.JSON,
    events: DataTypes.JSON,
    threats: DataTypes.JSON,
    timed: DataTypes.JSON,
    proposed: DataTypes.BOOLEAN,
    // "order" is a word of SQL's own.
    order: { type: DataTypes.INTEGER, field: 'place' },
    lengthSeconds: DataTypes.DOUBLE,
    afterFinish: DataTypes.STRING,
    ruleSheet: DataTypes.STRING,
    sheetId: DataTypes.UUID,
    clientWords: DataTypes.STRING,
    partnerWords: DataTypes.STRING,
    outcome: DataTypes.STRING,
    outcomeWords: DataTypes.STRING,
  }),
});
