/** Tests stand beside what they test, and run as they are written: as ES modules (see scripts/test.mjs). */
const shared = {
  testEnvironment: 'node',
  testMatch: ['**/*.test.{ts,mjs}'],
  modulePathIgnorePatterns: ['<rootDir>/web/dist', '<rootDir>/server/dist', '<rootDir>/cli/dist'],
}

/** What stands in for modules of a window there: each file of these tests needs modules of its own. */
const WITH_STAND_INS = ['<rootDir>/web/stores', '<rootDir>/web/api']

export default {
  projects: [
    {
      ...shared,
      displayName: 'in threads',
      roots: ['core', 'demo', 'cli', 'scripts', 'server', 'hosts', 'web'].map((name) => `<rootDir>/${name}`),
      testPathIgnorePatterns: ['/node_modules/', ...WITH_STAND_INS],
      // In bare threads, where computation is half as long again as fast as in a context of its own. Not in processes: two
      // that start at once may miss what the runner tells them, and it waits for ever.
      runner: 'jest-light-runner',
      setupFiles: ['<rootDir>/core/testing/typescript.mjs', '<rootDir>/core/testing/reports.ts'],
      transform: {},
    },
    {
      ...shared,
      displayName: 'with stand-ins',
      roots: WITH_STAND_INS,
      extensionsToTreatAsEsm: ['.ts'],
      transform: {
        '\\.ts$': [
          '@swc/jest',
          { jsc: { target: 'es2023', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
        ],
      },
    },
  ],
  testSequencer: '<rootDir>/scripts/testing/slowFirst.mjs',
  // Jest leaves one processor to whoever watches; nobody does.
  maxWorkers: '100%',
  testTimeout: 60_000,
}
