import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { startProject } from '../../../../authoring/building/index.ts';
import { homeBeforeDusk } from '../../../../exchange/demo/index.ts';
import { startAttempt, step } from '../../../../play/attempt/index.ts';
import { makeWorld, prepareLevel, type LeapOwn } from '../../../../play/movement/index.ts';
import { makeReaction } from '../../faults/reaction.ts';
import { beginFlight, flight, flyOn } from './flight.ts';

const demo = homeBeforeDusk();
const kit = startProject({ moves: 'leap', goal: 'reach', levels: 12 });
const levels = [
  ...[20].map((position) => prepareLevel(demo, position)),
  ...[1, 12].map((position) => prepareLevel(kit, position)),
];

/** Inputs, each with the number of ticks that it is held. */
const presses = fc.array(fc.tuple(fc.nat(5), fc.integer({ min: 1, max: 40 })), { minLength: 1, maxLength: 8 });

it('a flight moves as the body on a leap ground does, tick by tick, on every ground and by every press', () => {
  fc.assert(
    fc.property(fc.constantFrom(...levels), fc.nat(400), presses, fc.nat(99), (level, ticks, acts, seed) => {
      const world = makeWorld(level);
      const state = startAttempt(world, seed);
      for (let tick = 0; tick < ticks; tick++) step(state, tick % 50 < 27 ? 5 : 4);
      const own = { ...(state.own as LeapOwn) };
      const body = { ...state.body };
      beginFlight({ reaction: makeReaction(0) }, state);
      for (const [input, held] of acts)
        for (let i = 0; i < held; i++) {
          world.kind.moveBody(world, state.view, body, own, input);
          flyOn(input);
          const { airTicks, pressTicks, jumpsLeft, onFloor, held: isHeld, rising, fell } = own;
          expect(flight).toEqual({
            ...{ x: body.x, y: body.y, vx: body.vx, vy: body.vy, airTicks, pressTicks, jumpsLeft },
            ...{ onFloor, held: isHeld, rising, fell },
          });
        }
    }),
  );
});
