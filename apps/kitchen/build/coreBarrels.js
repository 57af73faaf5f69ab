const { readFileSync, readdirSync, existsSync } = require('node:fs');
const path = require('node:path');

const CORE = path.join(__dirname, '../../../packages/core/src');
const EXPORT = /export (?:type )?\{([^}]*)\} from '([^']+)'/g;

/** Where each name that a room of core makes public is written: { room: { name: file } }. */
const tables = Object.fromEntries(
  readdirSync(CORE)
    .filter((room) => existsSync(path.join(CORE, room, 'index.ts')))
    .map((room) => {
      const barrel = readFileSync(path.join(CORE, room, 'index.ts'), 'utf8');
      const names = [...barrel.matchAll(EXPORT)].flatMap(([, list, file]) =>
        list
          .split(',')
          .map((name) => name.trim().replace(/^type /, ''))
          .filter(Boolean)
          .map((name) => [name, path.join(CORE, room, file)]),
      );
      return [room, Object.fromEntries(names)];
    }),
);

/**
 * Options for babel-plugin-transform-imports: a name is taken from the file that it is written in, not through the barrel
 * of its room. Metro bundles whole modules, so a barrel would bring its whole room into the first load.
 */
module.exports = {
  '@kettle-scale/core/(\\w+)': {
    transform: (name, [, room]) => {
      const file = tables[room]?.[name];
      if (!file) throw new Error(`core/${room} does not make ${name} public`);
      return file;
    },
    skipDefaultConversion: true,
    // Not read by the plugin: what was transformed before a name moved is then known to be old.
    tables,
  },
};
