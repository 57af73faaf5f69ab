/** Core, server and tools run plain; the app runs under jest-expo for the web. */
const plain = {
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.ts$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }],
  },
};

export default {
  projects: [
    { displayName: 'core', rootDir: 'packages/core', ...plain },
    { displayName: 'server', rootDir: 'apps/server', ...plain },
    { displayName: 'tools', rootDir: 'tools', ...plain },
    '<rootDir>/apps/kitchen',
  ],
};
