import { playBout } from '../../../play/bouts/index.ts';
import { pacerOf, pointerOf } from '../../../document/model/index.ts';
import { drawPlayer } from '../../../forecast/pacers/index.ts';
import { seedOf } from '../../../forecast/trials/index.ts';
import type { Check, Found } from '../finding.ts';

/** Number of bouts that are played to find one without an end. */
const TRIED = 20;

/** A fight that comes to no end: neither side beats the other. */
export const boutWithoutEnd: Check<'bout'> = {
  code: 'bout-without-end',
  title: 'Bout that comes to no end',
  group: 'bouts',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'bout',
  find({ project, slot, fights }) {
    const pacer = pacerOf(project, null);
    return fights.flatMap(({ path, world, group }): Found[] => {
      for (let attempt = 0; attempt < TRIED; attempt++) {
        const { phase, round } = playBout(world, (seed) => drawPlayer(pacer, seed), seedOf(attempt));
        if (phase !== 'endless') continue;
        return [
          {
            slotId: slot.id,
            path: pointerOf([...path]),
            sentence: `The bout against ${group.name} can come to no end.`,
            reason: `Played by ${pacer.name}, one was given up after ${round} rounds with both sides standing.`,
          },
        ];
      }
      return [];
    });
  },
};
