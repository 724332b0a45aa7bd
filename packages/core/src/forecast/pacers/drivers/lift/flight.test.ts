import { expect, it } from '@jest/globals';
import { startProject } from '../../../../authoring/building/index.ts';
import { homeBeforeDusk } from '../../../../exchange/demo/index.ts';
import { enemiesOf, startAttempt } from '../../../../play/attempt/index.ts';
import { makeWorld, prepareLevel, type LiftOwn } from '../../../../play/movement/index.ts';
import { ticksToSeconds } from '../../../../play/rules/index.ts';
import { expectMovesAlike } from '../../../../testing/imaginedBodies.ts';
import { makeReaction } from '../../faults/reaction.ts';
import { beginFlight, flight, flyOn, HURT, LONGEST_TICKS, meetsMover, TOO_NEAR } from './flight.ts';

const demo = homeBeforeDusk();
const kit = startProject({ moves: 'lift', goal: 'finish', levels: 12 });
const levels = [
  ...[12, 15, 22].map((position) => prepareLevel(demo, position)),
  ...[1, 12].map((position) => prepareLevel(kit, position)),
];

const player = { reaction: makeReaction(0) };

it('a flight moves as the body on a lift ground does, tick by tick, on every ground and by every press', () =>
  expectMovesAlike({
    levels,
    lastInput: 5,
    before: (tick) => (tick % 50 < 27 ? 1 : 0),
    imagine(attempt) {
      beginFlight(player, attempt, 0);
      return { state: flight, move: flyOn };
    },
  }));

it.each([
  ['a large thing', 6, 0, HURT],
  ['a small thing by a cautious player', 0.3, 6, TOO_NEAR],
])('%s is met where the flight comes to it, however far off it is at first', (_what, radius, clearance, met) => {
  const state = startAttempt(makeWorld(levels[0]!), 1);
  const { all } = enemiesOf(state);
  for (const enemy of all) enemy.active = false;
  Object.assign(all[0]!, { active: true, movement: 'patrol', vx: 0, vy: 0, radius, x: state.body.x });
  const { mostUp, mostDown } = state.own as LiftOwn;
  const way = Math.max(mostUp, mostDown) * ticksToSeconds(LONGEST_TICKS);
  all[0]!.y = state.body.y - way - 5;
  beginFlight(player, state, clearance);
  flight.y -= way;
  expect(meetsMover(1, clearance)).toBe(met);
});
