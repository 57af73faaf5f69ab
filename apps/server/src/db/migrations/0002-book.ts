import type { Sequelize } from 'sequelize';

const STATEMENTS = [
  // The catalogue comes with the program; the table keeps the ids that lots refer to, and what is the kitchen's own.
  `ALTER TABLE ingredients ADD COLUMN own JSON`,
  `ALTER TABLE ingredients DROP COLUMN document`,
  `ALTER TABLE formulas ADD COLUMN archivedAt TEXT`,
];

/** Ingredients that a kitchen edits, adds and hides; formulas that are put away. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of STATEMENTS) await sequelize.query(statement);
}
