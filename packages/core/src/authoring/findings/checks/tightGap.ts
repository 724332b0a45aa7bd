import { groundKindOf } from '../../../play/movement/index.ts';
import { sectionsOf } from '../../../play/grid/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { gapsOf, TOO_TIGHT_SECONDS } from '../../../play/scene/index.ts';
import { say, type Check } from '../finding.ts';

/** A gap over a pit that can be jumped, but only by a press more exact than people's. */
export const tightGap: Check<'judged'> = {
  code: 'tight-gap',
  title: 'Gap that forgives little',
  group: 'ground',
  severity: 'doubtful',
  source: 'judge',
  scope: 'judged',
  find(here) {
    // Where there is a floor below, a miss costs a way round, not the attempt.
    const parts = groundKindOf(here.prepared.kind).parts?.(here.prepared) ?? [];
    const gaps = [here.prepared, ...parts].flatMap((part, index) =>
      gapsOf(part).map((gap) => ({ ...gap, section: sectionsOf(here.level.ground)[index - 1]?.name })),
    );
    const tight = gaps.filter(({ seconds, overPit }) => overPit && seconds > 0 && seconds < TOO_TIGHT_SECONDS);
    const [first] = tight.toSorted((one, other) => one.seconds - other.seconds);
    if (!first) return [];
    const more =
      tight.length === 1 ? '' : `, and ${tight.length - 1} more forgive${tight.length === 2 ? 's' : ''} little`;
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', here.level.id, 'ground']),
        sentence: 'A gap asks for a more exact jump than people make.',
        reason: `The gap of ${say(first.width)} cells at column ${say(first.x + 1)}${first.section === undefined ? '' : ` of “${first.section}”`} forgives ${Math.round(first.seconds * 1000)} ms to one who comes running${more}.`,
      },
    ];
  },
};
