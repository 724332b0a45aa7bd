import { placedOn } from '../../../play/attempt/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { resolveAmount } from '../../../play/rules/index.ts';
import { valuesIn } from '../../../document/ramps/index.ts';
import { playthroughNumbersAt } from '../../../play/playthrough/index.ts';
import { say, type Check } from '../finding.ts';
import { sectionsOf } from '../../../play/grid/index.ts';

/** A life costs more points than there are in the whole sequence. */
export const lifeBeyondPoints: Check<'project'> = {
  code: 'life-beyond-points',
  title: 'Extra life beyond all points',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project, table }) {
    const { lifeEvery } = project.run;
    const [first] = project.slots;
    if (!lifeEvery || !first) return [];
    // Points that come of time, or of milestones, are not counted: then nothing is sure.
    const onlyGathered = project.score.every(
      ({ reading }) => reading.reading === 'worth' || reading.reading === 'collected',
    );
    const rules = [...project.standing, ...Object.values(project.levels).flatMap((level) => level.rules)];
    const isSure =
      onlyGathered &&
      !rules.some(({ then }) => then.some(({ effect }) => effect === 'score')) &&
      !Object.values(project.levels).some(({ ground }) => sectionsOf(ground).length > 0);
    if (!isSure) return [];
    let points = 0;
    project.slots.forEach(({ levelId }, index) => {
      const level = project.levels[levelId];
      if (!level) return;
      const values = valuesIn(table, index + 1);
      const placed = placedOn(project, level, values);
      for (const { reading, times } of project.score)
        for (const { id } of project.kinds.collectables) {
          if (!('of' in reading) || (reading.of !== 'any' && reading.of !== id)) continue;
          const measure = reading.reading === 'worth' ? 'worth' : 'count';
          points += Math.max(0, resolveAmount(times, values, placed) * (placed[measure][id] ?? 0));
        }
    });
    const every = playthroughNumbersAt(project, 1).lifeEvery;
    if (every <= points) return [];
    return [
      {
        slotId: first.id,
        path: pointerOf(['run', 'lifeEvery']),
        sentence: 'Nobody ever earns an extra life.',
        reason: `It takes ${say(every)} points, and the whole sequence has ${say(points)}.`,
      },
    ];
  },
};
