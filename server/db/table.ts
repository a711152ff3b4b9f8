import type { Model } from 'sequelize';
import { DataTypes, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';

/** A Sequelize model whose rows are plain `Row` objects. */
export type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

/** Defines a table as migrations made it: snake_case columns, no timestamps of Sequelize's own. */
export const defineTable = <Row extends object>(
  sequelize: Sequelize,
  name: string,
  attributes: ModelAttributes<Model<Row, Row>, Row>,
): Table<Row> =>
  sequelize.define<Model<Row, Row>, Row>(name, attributes, {
    tableName: name,
    freezeTableName: true,
    timestamps: false,
    underscored: true,
  });

/** Plain row of a model, or null. */
export const plain = <Row extends object>(model: Model<Row, Row> | null): Row | null => (model ? model.get({ plain: true }) : null);
export const plainAll = <Row extends object>(models: Model<Row, Row>[]): Row[] => models.map((model) => model.get({ plain: true }));

/** A JSON column out of a query in SQL: servers that do not tell such columns from text answer the text. */
export const jsonOf = <T extends object>(column: string | T): T => (typeof column === 'string' ? (JSON.parse(column) as T) : column);

/** A primary key column; a fresh object each time, since Sequelize writes into what it is given. */
export const key = () => ({ type: DataTypes.UUID, primaryKey: true }) as const;
export const instantColumn = DataTypes.DATE(6);

/** A decimal column as its text with two decimals; the database's driver hands it over as a number, exact up to ten digits. */
export const amountOfColumn = (value: string): string => Number(value).toFixed(2);
