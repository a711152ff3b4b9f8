import type { Film, FilmForm } from '@lean-mentor/contract';
import type { Caption, ChapterStart, TakeStretch } from '@lean-mentor/core/desk';
import { DataTypes, type Sequelize } from 'sequelize';
import { defineTable, instantColumn, key } from '../../db/table.ts';

/** What a film is of: as it was when it was asked for, whatever is mended or written later. */
export interface Spoken {
  title: string;
  /** Length of what is heard. */
  seconds: number;
  /** Of the recording. */
  cuts: TakeStretch[];
  denoise?: boolean | undefined;
  /** Of what is heard. */
  captions: Caption[];
  chapters: ChapterStart[];
}

export interface FilmRow extends FilmForm, Pick<Film, 'state' | 'share' | 'secondsLeft' | 'bytes' | 'failure'> {
  id: string;
  requestId: string;
  footageId: string;
  takeId: string;
  /** Where it was sent, and its place there; null of one that is asked for from the desk, which is the coaching side's alone. */
  critiqueId: string | null;
  version: number | null;
  place: number | null;
  /** Footages besides its own that are seen in it. */
  compared: string[];
  /** JSON of Spoken. */
  spoken: string;
  askedBy: string;
  askedAt: Date;
  madeAt: Date | null;
}

export const filmTables = (sequelize: Sequelize) => ({
  films: defineTable<FilmRow>(sequelize, 'films', {
    id: key(),
    requestId: DataTypes.UUID,
    footageId: DataTypes.UUID,
    takeId: DataTypes.UUID,
    critiqueId: DataTypes.UUID,
    version: DataTypes.INTEGER,
    place: DataTypes.INTEGER,
    compared: DataTypes.JSON,
    spoken: DataTypes.TEXT('long'),
    size: DataTypes.STRING,
    words: DataTypes.STRING,
    state: DataTypes.STRING,
    share: DataTypes.DOUBLE,
    secondsLeft: DataTypes.DOUBLE,
    bytes: DataTypes.BIGINT,
    failure: DataTypes.TEXT,
    askedBy: DataTypes.UUID,
    askedAt: instantColumn,
    madeAt: instantColumn,
  }),
});
