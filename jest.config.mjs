const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'es6' },
  },
]

/** Core, contract, server and component tests (those that need a page say so at their head); the browser tests are Playwright's. */
export default {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': swc },
  testMatch: ['<rootDir>/{core,contract,server,web,cli}/src/**/*.test.{ts,tsx}', '<rootDir>/scripts/**/*.test.ts'],
  testEnvironment: 'node',
  // A database that is made anew takes seconds on a busy machine; nothing here is held to a time.
  testTimeout: 240_000,
  setupFiles: ['<rootDir>/core/src/testing/seededChance.ts', '<rootDir>/web/src/testing/pageGlobals.ts'],
  moduleNameMapper: {
    '^@nachtigal/(core|contract)/(.*)$': '<rootDir>/$1/src/$2.ts',
    // What a piece looks like is held by the browser tests.
    '\\.css$': '<rootDir>/web/src/testing/noStyles.ts',
  },
}
