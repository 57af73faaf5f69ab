/** Ingredients that a kitchen edits, adds and hides; formulas that are put away. */
export const statements: readonly string[] = [
  // The catalogue comes with the program; the table keeps the ids that lots refer to, and what is the kitchen's own.
  `ALTER TABLE ingredients ADD COLUMN own JSON`,
  `ALTER TABLE ingredients DROP COLUMN document`,
  `ALTER TABLE formulas ADD COLUMN archivedAt TEXT`,
];
