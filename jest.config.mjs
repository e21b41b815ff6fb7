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

/** Core, contract and server tests; the browser tests are Playwright's. */
export default {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': swc },
  testMatch: ['<rootDir>/{core,contract,server,web,cli}/src/**/*.test.ts', '<rootDir>/scripts/**/*.test.ts'],
  testEnvironment: 'node',
  moduleNameMapper: {
    '^@nachtigal/(core|contract)/(.*)$': '<rootDir>/$1/src/$2.ts',
  },
}
