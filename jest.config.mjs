/** Tests stand beside what they test, and run as they are written: as ES modules (see scripts/test.mjs). */
export default {
  testEnvironment: 'node',
  roots: [
    '<rootDir>/core',
    '<rootDir>/demo',
    '<rootDir>/server',
    '<rootDir>/cli',
    '<rootDir>/web',
    '<rootDir>/scripts',
  ],
  testMatch: ['**/*.test.{ts,mjs}'],
  extensionsToTreatAsEsm: ['.ts'],
  modulePathIgnorePatterns: ['<rootDir>/web/dist', '<rootDir>/server/dist', '<rootDir>/cli/dist'],
  transform: {
    '\\.ts$': [
      '@swc/jest',
      { jsc: { target: 'es2023', parser: { syntax: 'typescript' } }, module: { type: 'es6' } },
    ],
  },
  // Jest leaves one processor to whoever watches; nobody does.
  maxWorkers: '100%',
  testTimeout: 60_000,
}
