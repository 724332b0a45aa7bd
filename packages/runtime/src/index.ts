import type { HandOff } from '@stadion/core/exchange/formats';
import { liveRampAt } from '@stadion/core/play/rules';
import { checked } from './checked.ts';
import { readyJudge, startJudge, type ReadySlot } from './judge.ts';
import { judgingOf } from './judging.ts';
import { startOrResume } from './run.ts';
import { sequenceOf, type Sequence } from './sequence.ts';
import { readingsOf } from './subjects.ts';
import type { Game, Level, SavedRun } from './types.ts';

export type * from './types.ts';
export { HandOffError } from './checked.ts';

function levelOf(handOff: HandOff, { slots, at }: Sequence, position: number): Level {
  const slot = at(position);
  if (!slot) throw new RangeError(`The sequence has no position ${position}: it has ${slots.length}.`);
  let made: ReadySlot | undefined;
  const ready = (): ReadySlot => {
    if (made) return made;
    const readings = readingsOf(slot, handOff);
    const judging = judgingOf(slot, handOff, readings);
    made = { slot, tallies: Object.keys(handOff.tallies), readings, ...judging, judge: readyJudge(judging) };
    return made;
  };
  const { id, name, brief, values, readings } = slot;
  return {
    ...{ position, id, name, brief, values, readings },
    data: slot,
    isFight: slot.bout !== undefined,
    judge: (beginning = {}) => startJudge(ready(), beginning),
    value(parameter, given = {}) {
      const ramp = ready().ramps.find(({ dial }) => slot.changing[dial] === parameter);
      if (!ramp) return values[parameter] ?? Number.NaN;
      const along = ramp.axis === 'collected' ? 'collected.any' : ramp.axis;
      return liveRampAt(ramp, Number(given[along] ?? 0));
    },
  };
}

/**
 * Opens a hand-off.
 *
 * @param json the file's text or what it holds
 * @throws HandOffError where it is none, or of a version that this runtime does not read
 */
export function openHandOff(json: unknown): Game {
  const handOff = checked(json);
  const sequence = sequenceOf(handOff);
  const levels = new Map<number, Level>();
  return {
    name: handOff.name,
    length: sequence.slots.length,
    level(position) {
      const before = levels.get(position);
      if (before) return before;
      const level = levelOf(handOff, sequence, position);
      levels.set(position, level);
      return level;
    },
    run: (saved?: SavedRun) => startOrResume(handOff, sequence, saved, 1),
  };
}
