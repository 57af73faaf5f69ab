/** Why the server cannot start, as one sentence for who started it. Nothing was changed. */
export class StartProblem extends Error {}

/** SQLite's own code of an error, wherever Sequelize put it. */
export function sqliteCode(error: unknown): string | undefined {
  const { code, original, parent } = error as { code?: unknown; original?: unknown; parent?: unknown };
  if (typeof code === 'string') return code;
  const inner = original ?? parent;
  return inner && inner !== error ? sqliteCode(inner) : undefined;
}
