import { describe, expect, it } from '@jest/globals';
import { PIECES } from '../../play/attempt/index.ts';
import { allPiecesOf } from '../../play/grid/index.ts';
import { GROUND_KIND_NAMES } from '../../play/movement/index.ts';
import { homeBeforeDusk } from './index.ts';

const levels = Object.values(homeBeforeDusk().levels);

describe('Home Before Dusk', () => {
  it('has every sort of piece somewhere', () => {
    const placed = new Set(levels.flatMap(({ ground }) => allPiecesOf(ground).map(({ piece }) => piece)));
    expect([...placed].toSorted()).toEqual(Object.keys(PIECES).toSorted());
  });

  it.each(GROUND_KIND_NAMES)('has at least three levels of the kind %s', (kind) => {
    expect(levels.filter(({ ground }) => ground.kind === kind).length).toBeGreaterThanOrEqual(3);
  });
});
