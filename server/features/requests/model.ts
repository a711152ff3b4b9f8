import type { DraftStep, IntakeDraft, RequestState, Saying } from '@lean-mentor/contract';
import type { RequestLimits } from '@lean-mentor/core/care';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface RequestRow {
  id: string;
  clientId: string;
  state: RequestState;
  /** How far the client has come in sending it. */
  step: DraftStep;
  /** What the client says; whole once it has been sent. */
  intake: IntakeDraft;
  exchange: Saying[];
  /** When it was sent; of a draft, when it was begun. */
  sentAt: Date;
  dueAt: Date;
  /** Since when its clock stands. */
  stoppedAt: Date | null;
  consentWithdrawnAt: Date | null;
  /** When footage and context were complete and its clock began. */
  readyAt: Date | null;
  /** When its critique was said to be there in eight of ten cases; moved along while the clock stands. */
  saidByAt: Date | null;
  /** When its promise was moved, by a pause of the coach or a question to the client. */
  promiseMovedAt: Date | null;
  /** The plan it was taken from, and the first day of the period. */
  membershipId: string | null;
  periodOn: string | null;
  limits: RequestLimits;
  /** Its place in the coach's order by hand, 0 first. */
  place: number | null;
}

export const requestTables = (sequelize: Sequelize) => ({
  requests: defineTable<RequestRow>(sequelize, 'requests', {
    id: key(),
    clientId: DataTypes.UUID,
    state: DataTypes.STRING,
    step: DataTypes.STRING,
    intake: DataTypes.JSON,
    exchange: DataTypes.JSON,
    sentAt: instantColumn,
    dueAt: instantColumn,
    stoppedAt: instantColumn,
    consentWithdrawnAt: instantColumn,
    readyAt: instantColumn,
    saidByAt: instantColumn,
    promiseMovedAt: instantColumn,
    membershipId: DataTypes.UUID,
    periodOn: DataTypes.DATEONLY,
    limits: DataTypes.JSON,
    place: DataTypes.INTEGER,
  }),
});
