import { groundKindOf } from '@stadion/core/play/movement';
import { freshId, literal, type Condition, type Reading } from '@stadion/core/document/model';
import { READINGS, readingInWords } from '@stadion/core/play/rules';
import type { Choice } from '../ui/index.ts';
import { takenConditions } from '@stadion/core/authoring/edits';
import type { LevelContext } from '../readings/levelContext.ts';

const keyOf = (reading: Reading): string => JSON.stringify(reading);

/** Everything that can be read where a bout decides. */
function readingsOfBout({ project, level }: Pick<LevelContext, 'project' | 'level'>): Reading[] {
  const { bouts, tallies } = project;
  const group = bouts?.groups.find(({ id }) => id === level.bout?.group);
  const there = new Set([...(level.bout?.party ?? []), ...(group?.members ?? [])].map(({ fighter }) => fighter));
  return [
    { reading: 'sideBeaten', side: 'theirs' },
    { reading: 'sideBeaten', side: 'ours' },
    { reading: 'rounds' },
    { reading: 'fallen' },
    ...[...there].map((fighter): Reading => ({ reading: 'healthShare', fighter })),
    { reading: 'enemiesLeft', of: 'any' },
    { reading: 'score' },
    { reading: 'lives' },
    { reading: 'health' },
    { reading: 'timeLeft' },
    { reading: 'timeElapsed' },
    { reading: 'tries' },
    ...tallies.map((tally): Reading => ({ reading: 'tally', tally: tally.id })),
  ];
}

/** Everything that can be read at this level. */
export function readingsHere({ project, level }: Pick<LevelContext, 'project' | 'level'>): Reading[] {
  if (level.bout) return readingsOfBout({ project, level });
  const { kinds, tallies } = project;
  const collectables = ['any', ...kinds.collectables.map((kind) => kind.id)];
  const enemies = ['any', ...kinds.enemies.map((kind) => kind.id)];
  const { pieces } = level.ground;
  return [
    ...collectables.map((of): Reading => ({ reading: 'worth', of })),
    ...collectables.map((of): Reading => ({ reading: 'collected', of })),
    ...collectables.map((of): Reading => ({ reading: 'left', of })),
    { reading: 'score' },
    { reading: 'lives' },
    { reading: 'health' },
    { reading: 'timeLeft' },
    { reading: 'timeElapsed' },
    ...pieces.flatMap((piece): Reading[] => {
      switch (piece.piece) {
        case 'goal':
        case 'zone':
          return [{ reading: 'inside', zone: piece.id }];
        case 'latch':
          return [{ reading: 'latch', latch: piece.id }];
        case 'gate':
          return [{ reading: 'gate', gate: piece.id }];
        default:
          return [];
      }
    }),
    ...[...kinds.enemies, ...kinds.hazards].map((kind): Reading => ({ reading: 'touching', kind: kind.id })),
    { reading: 'offGround' },
    ...enemies.map((of): Reading => ({ reading: 'enemiesLeft', of })),
    ...enemies.map((of): Reading => ({ reading: 'enemiesBeaten', of })),
    ...pieces.flatMap((piece): Reading[] => {
      const kind = piece.piece === 'enemy' ? kinds.enemies.find((entry) => entry.id === piece.kind) : undefined;
      return kind?.phases && kind.phases.length > 0 ? [{ reading: 'phase', piece: piece.id }] : [];
    }),
    { reading: 'height' },
    { reading: 'distance' },
    ...groundKindOf(level.ground.kind).readings.map((reading) => ({ reading }) as Reading),
    { reading: 'tries' },
    ...tallies.map((tally): Reading => ({ reading: 'tally', tally: tally.id })),
  ];
}

/** Everything that can be read at this level, as choices for a chip. */
export function readingChoices(here: LevelContext): { choices: Choice[]; readingOf: (value: string) => Reading } {
  return {
    choices: readingsHere(here).map((reading) => ({
      value: keyOf(reading),
      label: readingInWords(reading, here.names),
    })),
    readingOf: (value) => JSON.parse(value) as Reading,
  };
}

export const choiceOf = keyOf;

/** Readings of which less is what a rule usually waits for. */
const DOWNWARDS = new Set(['lives', 'left', 'timeLeft', 'health', 'enemiesLeft']);

/** A condition on a reading, with the most likely comparison and amount. */
export function conditionOn(reading: Reading, here: LevelContext, id?: string): Condition {
  const name = id ?? freshId('condition', takenConditions(here.level));
  const { unit } = READINGS[reading.reading];
  if (unit === 'on/off') return { id: name, is: 'onOff', reading, on: true };
  if (DOWNWARDS.has(reading.reading))
    return { id: name, is: 'compare', reading, comparison: 'atMost', amount: literal(0) };
  if (unit === 'share') return { id: name, is: 'compare', reading, comparison: 'atMost', amount: literal(0.5) };
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
  const usual = { enemiesBeaten: 1, phase: 2, tally: 3, tries: 2, fallen: 1 }[reading.reading as string] ?? 10;
  return { id: name, is: 'compare', reading, comparison: 'atLeast', amount: literal(usual) };
}

/** A group with one condition in it. */
export function groupOn(reading: Reading, here: LevelContext): Condition {
  const ids = takenConditions(here.level);
  const id = freshId('group', ids);
  return { id, is: 'any', of: [conditionOn(reading, here)] };
}
