import { generate } from 'json-merge-patch';
import type { Project } from '../../../document/model/index.ts';
import { isGoingOn } from '../../../play/playthrough/index.ts';
import { exportSlot } from './make.ts';
import type { HandedSlot, HandOff } from './schema.ts';

/** Limits of the further rounds, and of their slots in all; one round is always written. */
const MOST_ROUNDS = 4;
const MOST_SLOTS = 400;

/** How many rounds past the last slot are handed over: none where the ramps do not go on. */
export const roundsHandedOver = ({ run, slots }: Pick<Project, 'run' | 'slots'>): number =>
  isGoingOn(run) && slots.length > 0 ? Math.min(MOST_ROUNDS, Math.max(1, Math.floor(MOST_SLOTS / slots.length))) : 0;

type Overlay = NonNullable<HandOff['rounds']>[string][string];

/** Results by the slot as it is in that round: an edit makes only the parts again that it concerns. */
const known = new WeakMap<HandedSlot, { first: HandedSlot; overlay: Overlay }>();

/** Numbers of a slot that differ in a later round, as a merge patch. Its position says itself. */
function overlayOf(first: HandedSlot, later: HandedSlot): Overlay {
  const before = known.get(later);
  if (before?.first === first) return before.overlay;
  const overlay = (generate(first, { ...later, position: first.position }) ?? {}) as Overlay;
  known.set(later, { first, overlay });
  return overlay;
}

/** Changes in each further round, by round from 2, then by slot. @param first the slots of the first round, by id */
export function laterRounds(project: Project, first: HandOff['slots']): NonNullable<HandOff['rounds']> {
  const { slots } = project;
  const rounds = Array.from({ length: roundsHandedOver(project) }, (_, index) => index + 1);
  return Object.fromEntries(
    rounds.map((round) => [
      String(round + 1),
      Object.fromEntries(
        slots.flatMap(({ id }, index) => {
          const later = exportSlot(project, round * slots.length + index + 1);
          return later && first[id] ? [[id, overlayOf(first[id], later)]] : [];
        }),
      ),
    ]),
  );
}
