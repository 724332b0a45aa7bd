import { freshId, literal, type Condition, type Level, type Reading } from '@stadion/core/model';
import { eachCondition, READINGS, readingInWords } from '@stadion/core/rules';
import type { Choice } from '../../ui/index.ts';
import type { LevelHere } from '../../app/levelHere.ts';

const keyOf = (reading: Reading): string => JSON.stringify(reading);

/** Everything that can be read at this level, as choices for a chip. */
export function readingChoices(here: LevelHere): { choices: Choice[]; readingOf: (value: string) => Reading } {
  const { kinds } = here.project;
  const collectables = ['any', ...kinds.collectables.map((kind) => kind.id)];
  const readings: Reading[] = [
    ...collectables.map((of): Reading => ({ reading: 'worth', of })),
    ...collectables.map((of): Reading => ({ reading: 'collected', of })),
    ...collectables.map((of): Reading => ({ reading: 'left', of })),
    { reading: 'lives' },
    { reading: 'timeLeft' },
    { reading: 'timeElapsed' },
    ...here.level.ground.pieces.flatMap((piece): Reading[] =>
      piece.piece === 'goal' ? [{ reading: 'inside', zone: piece.id }] : [],
    ),
    ...kinds.enemies.map((kind): Reading => ({ reading: 'touching', kind: kind.id })),
  ];
  return {
    choices: readings.map((reading) => ({ value: keyOf(reading), label: readingInWords(reading, here.names) })),
    readingOf: (value) => JSON.parse(value) as Reading,
  };
}

export const choiceOf = keyOf;

/** Condition ids already taken in a level. */
export function takenIds(level: Level): Set<string> {
  const ids = new Set<string>();
  for (const rule of level.rules) eachCondition(rule.when, (condition) => ids.add(condition.id));
  return ids;
}

/** A condition on a reading, with the most likely comparison and amount. */
export function conditionOn(reading: Reading, here: LevelHere, id?: string): Condition {
  const name = id ?? freshId('condition', takenIds(here.level));
  const { unit } = READINGS[reading.reading];
  if (unit === 'on/off') return { id: name, is: 'onOff', reading, on: true };
  if (reading.reading === 'lives' || reading.reading === 'left' || reading.reading === 'timeLeft') {
    return { id: name, is: 'compare', reading, comparison: 'atMost', amount: literal(0) };
  }
  if (reading.reading === 'worth' || reading.reading === 'collected') {
    const measure = reading.reading === 'worth' ? 'worth' : 'count';
    return {
      id: name,
      is: 'compare',
      reading,
      comparison: 'atLeast',
      amount: { from: 'share', share: literal(0.5), of: reading.of, measure },
    };
  }
  return { id: name, is: 'compare', reading, comparison: 'atLeast', amount: literal(10) };
}

/** An empty group with one condition in it. */
export function groupOn(reading: Reading, here: LevelHere): Condition {
  const ids = takenIds(here.level);
  const id = freshId('group', ids);
  return { id, is: 'any', of: [conditionOn(reading, here)] };
}
