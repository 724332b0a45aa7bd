import { pointerOf } from '../../../document/model/index.ts';
import { conditionsBesideRules, leaves, rulesOf } from '../../../play/rules/index.ts';
import type { Check, Found } from '../finding.ts';
import { slotOf } from '../parts.ts';

/** A latch without an effect, or a closed gate that nothing opens. */
export const latchOrGateAlone: Check<'level'> = {
  code: 'latch-or-gate-alone',
  title: 'Latch or gate alone',
  group: 'ground',
  severity: 'surely wrong',
  source: 'document',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    const { pieces } = level.ground;
    const rules = rulesOf(project, level).map(({ rule }) => rule);
    const conditions = [...rules.map(({ when }) => when), ...conditionsBesideRules(level)];
    const read = new Set(
      conditions.flatMap((condition) =>
        leaves(condition).flatMap(({ leaf: { reading } }) => (reading.reading === 'latch' ? [reading.latch] : [])),
      ),
    );
    const opened = new Set([
      ...pieces.flatMap((piece) => (piece.piece === 'latch' ? piece.opens : [])),
      ...rules.flatMap(({ then }) =>
        then.flatMap((effect) => (effect.effect === 'gate' && effect.open ? [effect.gate] : [])),
      ),
    ]);
    return pieces.flatMap((piece): Found[] => {
      const path = pointerOf(['levels', level.id, 'ground', 'pieces', piece.id]);
      if (piece.piece === 'latch' && piece.opens.length === 0 && !read.has(piece.id))
        return [
          {
            slotId,
            path,
            sentence: `${piece.name} has no effect.`,
            reason: 'It opens no gate, and no rule, star or clock reads it.',
            mend: { label: 'Take it away', patch: [{ op: 'remove', path }] },
          },
        ];
      if (piece.piece === 'gate' && !piece.open && !opened.has(piece.id))
        return [
          {
            slotId,
            path,
            sentence: `${piece.name} is closed, and nothing ever opens it.`,
            reason: 'No latch and no rule opens it: it is a wall.',
            mend: { label: 'Open it at the start', patch: [{ op: 'replace', path: `${path}/open`, value: true }] },
          },
        ];
      return [];
    });
  },
};
