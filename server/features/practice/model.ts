import type { PlanFields, PracticeHours } from '@lean-mentor/contract';
import type { DaySpan } from '@lean-mentor/core/plans';
import type { OrderPolicy, Turnaround } from '@lean-mentor/core/queue';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

/** One setting of the practice, kept as a whole. */
export interface PracticeRow {
  hours: PracticeHours;
  policy: OrderPolicy;
  /** For clients without a plan. */
  turnaround: Turnaround;
  currency: string;
  revision: number;
}

export interface PauseRow {
  id: string;
  fromAt: Date;
  untilAt: Date;
  words: string;
  madeAt: Date;
}

export interface PlanRow extends Omit<PlanFields, 'rank'> {
  id: string;
  planRank: number;
  madeAt: Date;
  retiredAt: Date | null;
}

export interface MembershipRow {
  id: string;
  clientId: string;
  planId: string;
  fromOn: string;
  untilOn: string | null;
  gifted: boolean;
  pauses: DaySpan[];
  madeAt: Date;
}

/** One request more in the period that begins on a day. */
export interface ExtraRow {
  id: string;
  membershipId: string;
  periodOn: string;
  gifted: boolean;
  madeAt: Date;
}

export const practiceTables = (sequelize: Sequelize) => ({
  pauses: defineTable<PauseRow>(sequelize, 'pauses', {
    id: key(),
    fromAt: instantColumn,
    untilAt: instantColumn,
    words: DataTypes.STRING,
    madeAt: instantColumn,
  }),
  plans: defineTable<PlanRow>(sequelize, 'plans', {
    id: key(),
    name: DataTypes.STRING,
    price: DataTypes.DECIMAL(10, 2),
    extraPrice: DataTypes.DECIMAL(10, 2),
    period: DataTypes.STRING,
    requestsPerPeriod: DataTypes.INTEGER,
    turnaround: DataTypes.JSON,
    planRank: DataTypes.INTEGER,
    includes: DataTypes.JSON,
    madeAt: instantColumn,
    retiredAt: instantColumn,
  }),
  memberships: defineTable<MembershipRow>(sequelize, 'memberships', {
    id: key(),
    clientId: DataTypes.UUID,
    planId: DataTypes.UUID,
    fromOn: DataTypes.DATEONLY,
    untilOn: DataTypes.DATEONLY,
    gifted: DataTypes.BOOLEAN,
    pauses: DataTypes.JSON,
    madeAt: instantColumn,
  }),
  extraRequests: defineTable<ExtraRow>(sequelize, 'extra_requests', {
    id: key(),
    membershipId: DataTypes.UUID,
    periodOn: DataTypes.DATEONLY,
    gifted: DataTypes.BOOLEAN,
    madeAt: instantColumn,
  }),
});
