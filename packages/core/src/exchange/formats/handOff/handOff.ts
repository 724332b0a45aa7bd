import type { Project } from '../../../document/model/index.ts';
import { valuesAt } from '../../../document/ramps/index.ts';
import { exportBouts } from './bouts.ts';
import { exportSlot } from './make.ts';
import { laterRounds, roundsHandedOver } from './rounds.ts';
import { HAND_OFF_FORMAT, HAND_OFF_VERSION, type HandOff } from './schema.ts';

/** The hand-off: everything resolved for every slot, without the parts that only the editor needs. */
export function handOffOf(project: Project): HandOff {
  const { run } = project;
  const bouts = exportBouts(project, project.slots.length > 0 ? valuesAt(project, 1) : {});
  const slots = Object.fromEntries(
    project.slots.flatMap((_slot, index) => {
      const slot = exportSlot(project, index + 1);
      return slot ? [[slot.id, slot]] : [];
    }),
  );
  return {
    format: HAND_OFF_FORMAT,
    version: HAND_OFF_VERSION,
    name: project.name,
    words: project.words,
    metresPerUnit: project.lengths.metresPerUnit,
    tallies: Object.fromEntries(project.tallies.map(({ id, name, start }) => [id, { name, start }])),
    run: {
      order: run.order,
      afterLast: run.afterLast,
      unlock: run.unlock.by,
      onGameOver: run.onGameOver,
      tiers: project.tiers.map(({ id, name, from }) => ({ id, name, from })),
    },
    ...(bouts ? { bouts } : {}),
    slots,
    ...(roundsHandedOver(project) > 0 ? { rounds: laterRounds(project, slots) } : {}),
  };
}
