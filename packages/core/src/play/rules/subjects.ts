import type { Reading, ReadingName } from '../../document/model/index.ts';
import { READINGS } from './readings.ts';
import type { Subjects } from './resolved.ts';

/** The reading that a name and an index stand for; undefined where there is no such subject. */
export function readingAt(name: ReadingName, index: number, subjects: Subjects): Reading | undefined {
  const { subject } = READINGS[name];
  if (subject === 'none') return { reading: name } as Reading;
  const id = [...subjects[subject]].find(([, at]) => at === index)?.[0];
  if (id === undefined) return undefined;
  const field = {
    collectable: 'of',
    enemy: 'of',
    toucher: 'kind',
    zone: 'zone',
    latch: 'latch',
    gate: 'gate',
    phase: 'piece',
    tally: 'tally',
    side: 'side',
    fighter: 'fighter',
  };
  return { reading: name, [field[subject]]: id } as Reading;
}
