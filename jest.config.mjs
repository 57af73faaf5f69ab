/** Core and server run plain; the app runs under jest-expo for the web. */
const swc = {
  transform: {
    '^.+\\.ts$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }],
  },
  testEnvironment: 'node',
};

export default {
  projects: [{ displayName: 'core', rootDir: 'packages/core', ...swc }],
};
