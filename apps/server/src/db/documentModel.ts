import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';

type Columns<D> = { id: string | number; document: D } & Record<string, unknown>;

/** A table whose rows are a JSON document beside the columns it is found by. */
export function documentModel<D>(
  sequelize: Sequelize,
  table: string,
  columns: ModelAttributes,
): ModelStatic<Model & Columns<D>> {
  return sequelize.define(
    table,
    { ...columns, document: { type: DataTypes.JSON, allowNull: false } },
    { tableName: table, timestamps: false },
  ) as ModelStatic<Model & Columns<D>>;
}
