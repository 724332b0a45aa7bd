import { pointerOf } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';

/** A latch that can only be reached through the gate that it opens. */
export const gateLocksOnlyWay: Check<'judged'> = {
  code: 'gate-locks-only-way',
  title: 'Gate locks the way to its latch',
  group: 'win',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'judged',
  find({ level, slot, reach }) {
    const { pieces } = level.ground;
    return pieces.flatMap((latch): Found[] => {
      if (latch.piece !== 'latch' || reach.touches(latch.at)) return [];
      const gate = pieces.find(
        ({ id, piece }) =>
          piece === 'gate' &&
          latch.opens.includes(id) &&
          !reach.opens.has(id) &&
          reach.with(new Set([id])).touches(latch.at),
      );
      if (gate?.piece !== 'gate') return [];
      const path = pointerOf(['levels', level.id, 'ground', 'pieces', gate.id]);
      return [
        {
          slotId: slot.id,
          path,
          sentence: `${gate.name} locks the only way to ${latch.name}, which opens it.`,
          reason: 'Nobody can come to the latch while the gate is closed, and nothing else opens the gate.',
          mend: { label: 'Open it at the start', patch: [{ op: 'replace', path: `${path}/open`, value: true }] },
        },
      ];
    });
  },
};
