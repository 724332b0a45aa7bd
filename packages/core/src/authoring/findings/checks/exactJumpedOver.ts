import { sectionsOf } from '../../../play/grid/index.ts';
import { pointerOf, type Reading } from '../../../document/model/index.ts';
import { leaves, liveAmount, readingInWords } from '../../../play/rules/index.ts';
import { toldHere } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';
import { outOfReach, rangeOf } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

/** More sums than these are not looked at. */
const MOST_SUMS = 20_000;
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;

/** Every sum that gathering can make; undefined where they are too many, or not sure. */
function sums(reading: Reading, here: SlotFacts): ReadonlySet<number> | undefined {
  const { project, level, resolving } = here;
  if ((reading.reading !== 'worth' && reading.reading !== 'collected') || sectionsOf(level.ground).length > 0)
    return undefined;
  const lost = outOfReach(here);
  let all = new Set([0]);
  for (const kind of project.kinds.collectables) {
    if (reading.of !== 'any' && reading.of !== kind.id) continue;
    const count = Math.max(0, (resolving.placed.count[kind.id] ?? 0) - (lost.get(kind.id) ?? 0));
    if (count === 0) continue;
    if (reading.reading === 'worth' && liveAmount(kind.worth, resolving)) return undefined;
    const each = reading.reading === 'worth' ? here.number(kind.worth) : 1;
    const next = new Set<number>();
    for (const sum of all) for (let many = 0; many <= count; many++) next.add(rounded(sum + many * each));
    if (next.size > MOST_SUMS) return undefined;
    all = next;
  }
  return all;
}

/** “Exactly” an amount that no sum of pieces makes. */
export const exactJumpedOver: Check<'judged'> = {
  code: 'exact-jumped-over',
  title: 'Exact amount that no sum makes',
  group: 'win',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'judged',
  find: (here) =>
    toldHere(here).flatMap(({ rule, path }) =>
      leaves(rule.when).flatMap(({ leaf, path: place }): Found[] => {
        if (leaf.is !== 'compare' || leaf.comparison !== 'exactly' || liveAmount(leaf.amount, here.resolving))
          return [];
        const asked = here.number(leaf.amount);
        const { least, most } = rangeOf(leaf.reading, here);
        if (asked < least || asked > most) return [];
        const all = sums(leaf.reading, here);
        if (!all || all.has(rounded(asked))) return [];
        const sorted = [...all].toSorted((a, b) => a - b);
        const below = sorted.findLast((sum) => sum < asked) ?? 0;
        const above = sorted.find((sum) => sum > asked) ?? most;
        const at = pointerOf([...path, 'when', ...place]);
        return [
          {
            slotId: here.slot.id,
            path: at,
            sentence: 'An exact amount is asked for that can never be met.',
            reason: `${say(asked)} ${readingInWords(leaf.reading, here.names)}: what lies there makes ${say(below)} and then ${say(above)}.`,
            mend: {
              label: `Ask for at least ${say(asked)}`,
              patch: [{ op: 'replace', path: `${at}/comparison`, value: 'atLeast' }],
            },
          },
        ];
      }),
    ),
};
