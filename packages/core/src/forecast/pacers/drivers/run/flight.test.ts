import { it } from '@jest/globals';
import { startProject } from '../../../../authoring/building/index.ts';
import { homeBeforeDusk } from '../../../../exchange/demo/index.ts';
import { prepareLevel } from '../../../../play/movement/index.ts';
import { expectMovesAlike } from '../../../../testing/imaginedBodies.ts';
import { beginFlight, flightAtRest, fly } from './flight.ts';
import type { Plan } from './plan.ts';

const demo = homeBeforeDusk();
const kit = startProject({ moves: 'run', goal: 'pass', levels: 12 });
const levels = [
  ...[8, 18, 21].map((position) => prepareLevel(demo, position)),
  ...[1, 12].map((position) => prepareLevel(kit, position)),
];

it('a flight moves as the body of a run does, tick by tick, on every ground and by every press', () =>
  expectMovesAlike({
    levels,
    lastInput: 2,
    before: (tick) => (tick % 70 < 25 ? 1 : 0),
    imagine(attempt) {
      const state = flightAtRest();
      beginFlight(attempt, state);
      const always = { from: 0, until: Number.POSITIVE_INFINITY };
      const move = (input: number, tick: number): void =>
        fly(state, { does: input as Plan['does'], ...always }, 0, 0, tick, tick + 1, 0, 'never');
      return { state, move };
    },
  }));
