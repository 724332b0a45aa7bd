import { it } from '@jest/globals';
import { startProject } from '../../../../authoring/building/index.ts';
import { homeBeforeDusk } from '../../../../exchange/demo/index.ts';
import { prepareLevel } from '../../../../play/movement/index.ts';
import { expectMovesAlike } from '../../../../testing/imaginedBodies.ts';
import { makeReaction } from '../../faults/reaction.ts';
import { beginFlight, flight, flyOn } from './flight.ts';

const demo = homeBeforeDusk();
const kit = startProject({ moves: 'leap', goal: 'reach', levels: 12 });
const levels = [
  ...[20].map((position) => prepareLevel(demo, position)),
  ...[1, 12].map((position) => prepareLevel(kit, position)),
];

it('a flight moves as the body on a leap ground does, tick by tick, on every ground and by every press', () =>
  expectMovesAlike({
    levels,
    lastInput: 5,
    before: (tick) => (tick % 50 < 27 ? 5 : 4),
    imagine(attempt) {
      beginFlight({ reaction: makeReaction(0) }, attempt);
      return { state: flight, move: flyOn };
    },
  }));
