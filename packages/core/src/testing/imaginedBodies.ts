import { expect } from '@jest/globals';
import fc from 'fast-check';
import { startAttempt, step, type AttemptState, type PreparedLevel } from '../play/attempt/index.ts';
import { makeWorld } from '../play/movement/index.ts';

/** An imagined body: its members are those of the real body, or of the state of the kind of ground. */
interface Imagined {
  state: object;
  /** Moves it by one tick. @param tick from 0 */
  move(input: number, tick: number): void;
}

/** Play of a test of an imagined body. */
interface Options {
  levels: readonly PreparedLevel[];
  /** Inputs of the kind of ground: 0 up to this. */
  lastInput: number;
  /** Input at a tick of what is played before the body is imagined. */
  before(tick: number): number;
  imagine(state: AttemptState): Imagined;
}

/** Expects that an imagined body moves as the real one: from any moment of an attempt, by any inputs, every member after every tick. */
export function expectMovesAlike({ levels, lastInput, before, imagine }: Options): void {
  /** Inputs, each with the number of ticks that it is held. */
  const presses = fc.array(fc.tuple(fc.nat(lastInput), fc.integer({ min: 1, max: 40 })), {
    minLength: 1,
    maxLength: 8,
  });
  fc.assert(
    fc.property(fc.constantFrom(...levels), fc.nat(400), presses, fc.nat(99), (level, ticks, acts, seed) => {
      const world = makeWorld(level);
      const state = startAttempt(world, seed);
      for (let tick = 0; tick < ticks; tick++) step(state, before(tick));
      const own = { ...(state.own as Record<string, unknown>) };
      const body = { ...state.body };
      const imagined = imagine(state);
      let tick = 0;
      for (const [input, held] of acts)
        for (let i = 0; i < held; i++, tick++) {
          world.kind.moveBody(world, state.view, body, own, input);
          imagined.move(input, tick);
          const real = { ...own, x: body.x, y: body.y, vx: body.vx, vy: body.vy } as Record<string, unknown>;
          const names = Object.keys(imagined.state);
          expect(imagined.state).toEqual(Object.fromEntries(names.map((name) => [name, real[name]])));
        }
    }),
  );
}
