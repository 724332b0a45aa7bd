import base from '../jest.config.mjs';

/** @type {import('jest').Config} */
export default {
  ...base,
  roots: ['<rootDir>/e2e'],
  testMatch: ['**/*.test.ts'],
  testTimeout: 120_000,
  maxWorkers: 2,
};
