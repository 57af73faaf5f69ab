/** Services: what a day is to bring and the plan for it, and what happened to its bread. */
export const statements: readonly string[] = [
  `CREATE TABLE service_days (
     id TEXT PRIMARY KEY,
     document JSON NOT NULL
   )`,
  `CREATE TABLE service_acts (
     id TEXT PRIMARY KEY,
     day TEXT NOT NULL REFERENCES service_days (id),
     document JSON NOT NULL
   )`,
  `CREATE INDEX service_acts_by_day ON service_acts (day, id)`,
];
