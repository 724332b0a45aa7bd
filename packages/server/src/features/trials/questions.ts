import type { Level, Pacer, Project, Slot } from '@stadion/core/document/model';
import { rampTable, valuesIn } from '@stadion/core/document/ramps';
import { isBout, precisionFor, trialQuestion, type TrialQuestion } from '@stadion/core/forecast/trials';
import { createHash } from 'node:crypto';

/** The question of one slot, and what it is known by. */
export interface AskedSlot {
  slotId: string;
  question: TrialQuestion;
  /** Hash of everything that the answer depends on. */
  key: string;
  /** Two questions of one motion play the same attempts as far as they go, and judge them each in its way. */
  motion: string;
}

/** The question of one level at one position, valid until something changes on which it depends. */
interface Known {
  slot: Slot;
  parts: readonly unknown[];
  values: string;
  pacer: Pacer;
  asked: AskedSlot;
}

const hashOf = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');

/** Number of slots that are computed before other work has its turn. */
const AT_ONCE = 20;

const breath = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** All parts of a document, besides a level and the values of parameters, that a question is made of. */
const partsOf = (project: Project): readonly unknown[] => {
  const { kinds, player, standing, run, score, tallies, parameters, liveTiers, slots, bouts } = project;
  const live = parameters.some(({ ramp }) => ramp.axis !== undefined);
  // A ramp along a reading travels with the question, with all that it depends on.
  return [kinds, player, standing, run, score, tallies, slots.length, bouts, ...(live ? [parameters, liveTiers] : [])];
};

/** Returns the motion of the attempts without their judging; a bout is judged turn by turn, so that all of it counts. */
const motionOf = ({ level }: TrialQuestion): unknown => (isBout(level) ? level : level.motion);

/** Questions by the objects that they are made of: an edit computes only the questions that it concerns, and never blocks the event loop. */
export class Questions {
  readonly #known = new WeakMap<Level, Map<string, Known>>();

  /** The questions of all slots, in their order. */
  async of(project: Project, pacer: Pacer): Promise<AskedSlot[]> {
    const parts = partsOf(project);
    const table = rampTable(project);
    const asked: AskedSlot[] = [];
    let fresh = 0;
    for (const [index, slot] of project.slots.entries()) {
      const level = project.levels[slot.levelId] as Level;
      const position = index + 1;
      const values = Object.values(valuesIn(table, position)).join();
      const place = `${position} ${pacer.id}`;
      const known = this.#known.get(level) ?? new Map<string, Known>();
      const before = known.get(place);
      const isSame =
        before?.slot === slot &&
        before.pacer === pacer &&
        before.values === values &&
        before.parts.length === parts.length &&
        before.parts.every((part, at) => part === parts[at]);
      if (isSame) {
        asked.push(before.asked);
        continue;
      }
      const question = trialQuestion(project, position, pacer, precisionFor(pacer));
      const motion = hashOf([question.engine, motionOf(question), question.population]).slice(0, 16);
      const entry: AskedSlot = { slotId: slot.id, question, key: hashOf(question), motion };
      this.#known.set(level, known.set(place, { slot, parts, values, pacer, asked: entry }));
      asked.push(entry);
      if (++fresh % AT_ONCE === 0) await breath();
    }
    return asked;
  }
}
