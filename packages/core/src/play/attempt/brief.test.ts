import { expect, it } from '@jest/globals';
import type { Piece } from '../../document/model/index.ts';
import { garden, is, rule } from '../../testing/index.ts';
import { briefOf } from './index.ts';

const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };
const inside = is('in', { reading: 'inside', zone: 'exit' });

it('states the objective until a brief is written by hand', () => {
  const project = garden({ pieces: [exit], rules: [rule('won', inside, [{ effect: 'win' }])] });
  const level = project.levels['clover-steps']!;
  let resolved = 0;
  const brief = (): string =>
    briefOf(project, level, () => {
      resolved++;
      return { values: {}, placed: { count: {}, worth: {} } };
    });
  level.brief = '';
  expect(brief()).toBe('Reach Exit.');
  expect(resolved).toBe(1);
  level.brief = 'Home, quickly.';
  expect(brief()).toBe('Home, quickly.');
  expect(resolved).toBe(1);
});
