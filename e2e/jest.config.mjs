import base from '../jest.config.mjs';

/** @type {import('jest').Config} */
export default {
  ...base,
  roots: ['<rootDir>/e2e'],
  testMatch: ['**/*.test.ts'],
  testTimeout: 120_000,
  // As many as there are windows: ../harness/shared.ts.
  maxWorkers: 2,
  globalSetup: '<rootDir>/harness/globalSetup.ts',
  globalTeardown: '<rootDir>/harness/globalTeardown.ts',
};
