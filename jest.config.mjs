/** Messages are formatted by packages that ship modules alone, which Jest does not read as they are. */
const MODULES = '/node_modules/(?!(intl-messageformat|@formatjs)/)';
const SOURCES = '(\\.(ts|mjs)|/(intl-messageformat|@formatjs)/.+\\.js)$';

/** Core, server and tools run plain; the app runs under jest-expo for the web. */
const plain = {
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  // d3 offers Node only modules that Jest does not read; the same code stands beside them in the old form.
  moduleNameMapper: { '^(d3-[a-z-]+|internmap)$': '<rootDir>/../../node_modules/$1/dist/$1.js' },
  transform: { [SOURCES]: '<rootDir>/../../tools/jest/swc.cjs' },
  transformIgnorePatterns: [MODULES],
};

/** Core's tests are bundled with what they test: see the transform. */
const bundled = { ...plain, transform: { '\\.test\\.ts$': '<rootDir>/../../tools/jest/bundle.cjs' } };

/** Long enough for a loaded machine with two cores; how fast things are is measured elsewhere. */
const TIMEOUT_MS = 30_000;

export default {
  testTimeout: TIMEOUT_MS,
  projects: [
    { displayName: 'core', rootDir: 'packages/core', ...bundled },
    { displayName: 'simulation', rootDir: 'packages/simulation', ...bundled },
    { displayName: 'server', rootDir: 'apps/server', ...plain },
    {
      displayName: 'tools',
      rootDir: 'tools',
      ...plain,
      moduleNameMapper: { '^(d3-[a-z-]+|internmap)$': '<rootDir>/../node_modules/$1/dist/$1.js' },
      transform: { [SOURCES]: '<rootDir>/jest/swc.cjs' },
    },
    '<rootDir>/apps/kitchen',
  ],
};
