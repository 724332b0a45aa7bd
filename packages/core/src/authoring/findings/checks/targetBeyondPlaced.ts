import { scattered } from '../../building/index.ts';
import { groundPatch } from '../../edits/index.ts';
import { pointerOf, type Ground, type Reading } from '../../../document/model/index.ts';
import { readingInWords } from '../../../play/rules/index.ts';
import { say, type Check, type Found, type Mend } from '../finding.ts';
import { beyondReach } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

/** Units between pieces that are placed, and from the start, where there is room. */
const APART = 1.4;

/** Limit of the pieces that are proposed. */
const MOST_MORE = 40;
/** Kinds of ground on which every free cell with a way to it can be reached: on the others it may be too high, or not there yet. */
const SCATTERED_ON: ReadonlySet<Ground['kind']> = new Set(['roam', 'cross', 'lift']);

/** Places more pieces until the target lies on the ground; undefined where the ground has no room, or no kind has worth. */
function placeMore(
  { project, level, number }: SlotFacts,
  reading: Extract<Reading, { reading: 'worth' | 'collected' }>,
  missing: number,
): Mend | undefined {
  if (!SCATTERED_ON.has(level.ground.kind)) return undefined;
  const placed = (kind: string): number =>
    level.ground.pieces.filter((piece) => piece.piece === 'collectable' && piece.kind === kind && !piece.hidden).length;
  const kinds = project.kinds.collectables.filter(({ id }) => reading.of === 'any' || reading.of === id);
  const most = kinds.toSorted((one, other) => placed(other.id) - placed(one.id))[0];
  if (!most) return undefined;
  const each = reading.reading === 'worth' ? number(most.worth) : 1;
  if (each <= 0) return undefined;
  const more = Math.ceil(missing / each - 1e-9);
  const count = placed(most.id) + more;
  if (more > MOST_MORE) return undefined;
  const scatter = { kind: most.id, count: more, fromStart: APART, apart: APART, seed: count, keepsOld: true };
  const { ground, thrown } = scattered(level.ground, scatter);
  if (thrown < more) return undefined;
  return {
    label: `Place ${more} more of ${most.name}`,
    patch: groundPatch(['levels', level.id, 'ground'], level.ground, ground),
  };
}

/** The only ways to win ask for more than lies on the ground. */
export const targetBeyondPlaced: Check<'judged'> = {
  code: 'target-beyond-placed',
  title: 'Target beyond what is placed',
  group: 'win',
  severity: 'stops play',
  source: 'judge',
  scope: 'judged',
  find: (here) =>
    beyondReach(here).flatMap(({ leaf: { reading, comparison }, path, asked, most }): Found[] => {
      if (reading.reading !== 'worth' && reading.reading !== 'collected') return [];
      const measure = reading.reading === 'worth' ? 'worth' : 'count';
      const placed = here.resolving.placed[measure][reading.of] ?? 0;
      const there =
        most < placed
          ? `${say(most)} of the ${say(placed)} on the ground can be reached`
          : `${say(most)} are on the ground`;
      const isMore = comparison === 'moreThan';
      const mended = isMore ? most - 1 : most;
      const amount = pointerOf([...path, 'amount']);
      const patch = [{ op: 'replace' as const, path: amount, value: { from: 'number', value: mended } }];
      const more = placeMore(here, reading, (isMore ? asked + 1 : asked) - most);
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(path),
          sentence: 'The target is beyond what is placed: nobody can win.',
          reason: `It takes ${isMore ? 'more than ' : ''}${say(asked)} ${readingInWords(reading, here.names)}, and ${there}.`,
          ...(more ? { orMend: more } : {}),
          ...(mended > 0
            ? { mend: { label: `Ask for ${isMore ? `more than ${say(mended)}` : `all ${say(most)}`}`, patch } }
            : {}),
        },
      ];
    }),
};
