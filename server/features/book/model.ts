import type { Clip } from '@lean-mentor/contract';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

export interface ClipRow extends Omit<Clip, 'madeAt'> {
  madeAt: Date;
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
});
