import { pointerOf } from '../../../document/model/index.ts';
import { say, type Check, type Found } from '../finding.ts';

/** Somebody of the party, or a lone enemy, whom any hit of one action beats. */
export const oneHitEndsIt: Check<'bout'> = {
  code: 'one-hit-ends-it',
  title: 'One hit ends it',
  group: 'bouts',
  severity: 'doubtful',
  source: 'judge',
  scope: 'bout',
  find({ slot, fights }) {
    return fights.flatMap(({ path, harm, world, names, group }): Found[] => {
      const isAlone = world.fighters.length - world.ours === 1;
      const told = new Set<string>();
      return harm.flatMap(({ one, target, action, actor, least }) => {
        const { id } = world.fighters[target]!;
        if (one !== 'always' || told.has(id) || (target >= world.ours && !isAlone)) return [];
        told.add(id);
        return [
          {
            slotId: slot.id,
            path: pointerOf([...path, id]),
            sentence: `One hit beats ${names[target]} where ${group.name} ${target < world.ours ? 'are met' : 'stands alone'}.`,
            reason: `“${world.bout.actions[action]!.name}” of ${names[actor]} takes ${say(least)} at least, and it has ${say(world.fighters[target]!.statistics[world.lost]!)}.`,
          },
        ];
      });
    });
  },
};
