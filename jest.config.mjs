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
];

/** @type {import('jest').Config} */
export default {
  rootDir: import.meta.dirname,
  // On two cores Jest would use one.
  maxWorkers: 2,
  roots: ['<rootDir>/packages'],
  testMatch: ['**/src/**/*.test.{ts,tsx}'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': swc },
  moduleNameMapper: { '\\.css$': '<rootDir>/packages/web/src/testing/empty.ts' },
  testEnvironment: '<rootDir>/jest.environment.mjs',
  testEnvironmentOptions: { customExportConditions: ['source', 'node', 'node-addons'] },
  // A limit that only stops what hangs: a busy machine takes many times as long as a quiet one.
  testTimeout: 60_000,
  modulePathIgnorePatterns: ['/dist/'],
};
