import type { Clip } from '@lean-mentor/contract';
import type { BookDrill, BookPrinciple } from '@lean-mentor/core/book';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface ClipRow extends Omit<Clip, 'madeAt'> {
  madeAt: Date;
}

/** The desk writes principles with a name alone: what `entry` lacks is blank. */
export interface PrincipleRow {
  id: string;
  name: string;
  entry?: Partial<Omit<BookPrinciple, 'id' | 'name'>>;
}

export interface DrillRow {
  id: string;
  name: string;
  entry: Omit<BookDrill, 'id' | 'name'>;
}

export const bookTables = (sequelize: Sequelize) => ({
  clips: defineTable<ClipRow>(sequelize, 'clips', {
    id: key(),
    title: DataTypes.STRING,
    state: DataTypes.STRING,
    failure: DataTypes.TEXT,
    seconds: DataTypes.DOUBLE,
    madeAt: instantColumn,
  }),
  principles: defineTable<PrincipleRow>(sequelize, 'principles', { id: key(), name: DataTypes.STRING, entry: DataTypes.JSON }),
  drills: defineTable<DrillRow>(sequelize, 'drills', { id: key(), name: DataTypes.STRING, entry: DataTypes.JSON }),
});
