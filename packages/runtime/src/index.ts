import type { HandOff } from '@stadion/core/formats';
import { liveRampAt } from '@stadion/core/rules';
import { memberAt, startFight } from './fight.ts';
import { readyJudge, startJudge, type ReadySlot } from './judge.ts';
import { judgingOf } from './judging.ts';
import { startOrResume } from './run.ts';
import { sequenceOf, type Sequence } from './sequence.ts';
import { readingsOf } from './subjects.ts';
import type { Game, Level, SavedRun } from './types.ts';

export type * from './types.ts';

const FORMAT = 'stadion-hand-off';
const VERSION = 1;

/** The value is no hand-off that this runtime reads. The message says why. */
export class HandOffError extends Error {
  override name = 'HandOffError';
}

function checked(json: unknown): HandOff {
  const given = (typeof json === 'string' ? JSON.parse(json) : json) as Partial<HandOff> | null;
  if (given === null || typeof given !== 'object' || given.format !== FORMAT)
    throw new HandOffError(`This is no hand-off: “format” must be "${FORMAT}".`);
  if (given.version !== VERSION)
    throw new HandOffError(
      `This hand-off has version ${String(given.version)}; this runtime reads version ${VERSION}.`,
    );
  if (given.slots === null || typeof given.slots !== 'object') throw new HandOffError('This hand-off has no slots.');
  return given as HandOff;
}

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
    fight(seed, who = slot.bout) {
      if (!who) throw new RangeError(`Nobody is fought at position ${position}.`);
      return startFight(handOff, slot, who, seed);
    },
    member(id, level) {
      if (!handOff.bouts) throw new RangeError('This game has no fights.');
      return memberAt(handOff.bouts, id, level);
    },
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
