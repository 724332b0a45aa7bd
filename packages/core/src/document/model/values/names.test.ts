import { describe, expect, it } from '@jest/globals';
import { freshName } from '../index.ts';

describe('a fresh name', () => {
  it.each([
    ['Gate', [], 'Gate'],
    ['Gate', ['Gate'], 'Gate 2'],
    ['Gate', ['Gate', 'Gate 2'], 'Gate 3'],
    ['Gate 2', ['Gate', 'Gate 2'], 'Gate 3'],
    ['Gate 7', ['Gate'], 'Gate 7'],
  ])('near %j beside %j is %j', (wanted, taken, name) => {
    expect(freshName(wanted, new Set(taken))).toBe(name);
  });
});
