import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { startProject } from '../../../../authoring/building/index.ts';
import { homeBeforeDusk } from '../../../../exchange/demo/index.ts';
import { startAttempt, step } from '../../../../play/attempt/index.ts';
import { makeWorld, prepareLevel, type RunOwn } from '../../../../play/movement/index.ts';
import { beginFlight, flightAtRest, fly } from './flight.ts';

const demo = homeBeforeDusk();
const kit = startProject({ moves: 'run', goal: 'pass', levels: 12 });
const levels = [
  ...[8, 18, 21].map((position) => prepareLevel(demo, position)),
  ...[1, 12].map((position) => prepareLevel(kit, position)),
];

/** Presses, each with the number of ticks that it is held. */
const presses = fc.array(fc.tuple(fc.constantFrom(0, 1, 2), fc.integer({ min: 1, max: 40 })), {
  minLength: 1,
  maxLength: 8,
});

it('a flight moves as the body of a run does, tick by tick, on every ground and by every press', () => {
  fc.assert(
    fc.property(fc.constantFrom(...levels), fc.nat(400), presses, fc.nat(99), (level, ticks, acts, seed) => {
      const world = makeWorld(level);
      const state = startAttempt(world, seed);
      for (let tick = 0; tick < ticks; tick++) step(state, tick % 70 < 25 ? 1 : 0);
      const own = { ...(state.own as RunOwn) };
      const body = { ...state.body };
      const flight = flightAtRest();
      beginFlight(state, flight);
      let tick = 0;
      for (const [does, held] of acts)
        for (let i = 0; i < held; i++, tick++) {
          world.kind.moveBody(world, state.view, body, own, does);
          fly(flight, { does: does as 0 | 1 | 2, from: 0, until: 10_000 }, 0, 0, tick, tick + 1, 0, 'never');
          const { halfTall, airTicks, pressTicks, jumpsLeft, onFloor, held: isHeld, rising, fell, low, blocked } = own;
          expect(flight).toEqual({
            ...{ x: body.x, y: body.y, vy: body.vy, halfTall, airTicks, pressTicks, jumpsLeft },
            ...{ onFloor, held: isHeld, rising, fell, low, blocked },
          });
        }
    }),
  );
});
