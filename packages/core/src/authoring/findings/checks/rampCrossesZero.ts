import { pointerOf, usesOfParameter, type Project } from '../../../document/model/index.ts';
import { say, type Check } from '../finding.ts';
import { rowOf, withUnit } from '../rampFacts.ts';

/** Numbers that mean nothing below zero, by the last name of where they stand. */
const NEVER_BELOW = new Set([
  'speed',
  'howMany',
  'everySeconds',
  'firstAfterSeconds',
  'limitSeconds',
  'heldSeconds',
  'health',
  'sight',
  'reach',
]);

/** A lane at a speed below zero drives the other way. */
function isLaneSpeed(project: Project, path: readonly (string | number)[]): boolean {
  const [part, level, , , piece] = path;
  if (part !== 'levels' || path.at(-1) !== 'speed') return false;
  return project.levels[String(level)]?.ground.pieces.some((one) => one.id === piece && one.piece === 'lane') ?? false;
}

/** A parameter that falls below zero where its number is a speed, a count or a time. */
export const rampCrossesZero: Check<'parameter'> = {
  code: 'ramp-crosses-zero',
  title: 'Falls below zero',
  group: 'ramps',
  severity: 'surely wrong',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter, project } = facts;
    const { sane, label, key, unit, number } = parameter;
    const row = rowOf(facts);
    // Values below the sane range are another finding.
    if (!row || sane.min >= 0) return [];
    const index = row.values.findIndex((value) => value < -1e-9 && value >= sane.min);
    if (index < 0) return [];
    const isMeasure =
      number === 'seconds' ||
      usesOfParameter(project, key).some(
        ({ path }) => NEVER_BELOW.has(String(path.at(-1))) && !isLaneSpeed(project, path),
      );
    if (!isMeasure) return [];
    const path = pointerOf(['parameters', key, 'ramp', 'atLeast']);
    return [
      {
        slotId: row.slotId(index + 1),
        path: pointerOf(['parameters', key, 'ramp']),
        sentence: `${label} falls below zero at level ${index + 1}.`,
        reason: `It is ${withUnit(say(row.values[index] as number), unit)} there, and what takes it counts that as nothing.`,
        mend: {
          label: 'At least 0',
          patch: [{ op: parameter.ramp.atLeast === undefined ? 'add' : 'replace', path, value: 0 }],
        },
      },
    ];
  },
};
