import { LEAST_SEEN } from '../../../play/bouts/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { pacingIn } from '../boutFacts.ts';
import { say, type Check, type Found } from '../finding.ts';
import { firstFight } from '../parts.ts';

/** A thing that hardly anybody gets along the whole sequence. */
export const dropNobodySees: Check<'project'> = {
  code: 'drop-nobody-sees',
  title: 'Thing nobody gets',
  group: 'bouts',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project, table }) {
    const { bouts } = project;
    if (!bouts?.fighters.some(({ gives }) => gives && gives.things.length > 0)) return [];
    const things = pacingIn(project, bouts, table).at(-1)?.things ?? new Map<string, number>();
    const told = new Set<string>();
    return bouts.fighters.flatMap(({ id, name, gives }): Found[] =>
      (gives?.things ?? []).flatMap((thing, index) => {
        const chance = things.get(thing.name);
        // Fighters who are met nowhere give nothing: that is another finding.
        if (chance === undefined || chance >= LEAST_SEEN || told.has(thing.name)) return [];
        told.add(thing.name);
        return [
          {
            slotId: firstFight(project, id),
            path: pointerOf(['bouts', 'fighters', id, 'gives', 'things', index]),
            sentence: `Hardly anybody ever gets ${thing.name}.`,
            reason: `${say(chance * 100)} % have it by the end: ${name} gives it with a chance of ${say(thing.chance * 100)} %.`,
          },
        ];
      }),
    );
  },
};
