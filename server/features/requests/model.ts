import type { DraftStep, IntakeDraft, RequestState, Saying } from '@lean-mentor/contract';
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
  }),
});
