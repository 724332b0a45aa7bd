import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { groundKindOf, prepareLevel } from '@stadion/core/play/movement';
import { sceneOf } from '@stadion/core/play/scene';
import { levelHere } from '../../../readings/levelContext.ts';
import { handChoices } from '../choices.ts';
import { cellInWords, nameOfPiece } from '../words.ts';
import { onSection } from './onSection.ts';

const here = levelHere(homeBeforeDusk(), 8)!;
const { ground } = here.level;
if (!('sections' in ground)) throw new Error('no run');
const [first, second] = ground.sections;

describe('a level seen as one of its sections', () => {
  const seen = onSection(here, second!.id);

  it('has the rows and pieces of that section, in its project, too', () => {
    expect(seen.section).toBe(second!.id);
    expect(seen.level.ground.rows).toBe(second!.rows);
    expect(seen.project.levels[here.level.id]).toBe(seen.level);
    expect(here.project.levels[here.level.id]).toBe(here.level);
  });

  it('calls its pieces by their kinds and numbers', () => {
    const names = second!.pieces.map((piece) => nameOfPiece(seen, piece));
    expect(names).toEqual(['Clover 1', 'Clover 2', 'Clover 3', 'Clover 4', 'Clover 5', 'Clover 6']);
    expect(cellInWords(seen, seen.level.ground, { x: 2, y: 7 }, new Set())).toBe('column 3, row 8: open; Clover 1');
  });

  it('is drawn as its part of the run is', () => {
    const prepared = prepareLevel(here.project, here.position);
    const [, part] = groundKindOf(prepared.kind).parts!(prepared);
    expect(sceneOf(prepareLevel(seen.project, here.position))).toEqual(sceneOf(part!));
  });

  it('is the level itself for its opening, and for a section that is gone', () => {
    expect([onSection(here, undefined), onSection(here, 'gone')]).toEqual([here, here]);
    expect(onSection(here, first!.id).level.ground.pieces).toBe(first!.pieces);
  });

  it('offers to put only what can come again', () => {
    const keys = handChoices(here.project, 'run').map(({ key }) => key.split(' ')[0]);
    expect(keys).toContain('collectable');
    for (const barred of ['goal', 'zone', 'gate', 'latch', 'checkpoint', 'spawner', 'lane'])
      expect(keys).not.toContain(barred);
  });
});
