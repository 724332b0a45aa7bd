import { describe, expect, it } from '@jest/globals';
import { OpenProjects } from './openProjects.ts';
import type { StoredProject } from './store.ts';

const stored = (id: string, levels: number, revision = 1): StoredProject =>
  ({
    id,
    revision,
    document: { levels: Object.fromEntries(Array.from({ length: levels }, (_, index) => [`level-${index}`, {}])) },
  }) as unknown as StoredProject;

describe('open projects', () => {
  it('are many small ones: none is read again while they take turns', () => {
    const open = new OpenProjects();
    for (let i = 0; i < 100; i++) open.keep(stored(`p${i}`, 24));
    expect(Array.from({ length: 100 }, (_, i) => open.at(`p${i}`, 1)).every(Boolean)).toBe(true);
  });

  it('let those go that were looked at longest ago, once there are too many levels', () => {
    const open = new OpenProjects();
    for (const id of ['a', 'b', 'c', 'd']) open.keep(stored(id, 1000));
    open.at('a', 1);
    open.keep(stored('e', 1000));
    expect(['a', 'b', 'c', 'd', 'e'].filter((id) => open.at(id, 1))).toEqual(['a', 'c', 'd', 'e']);
  });

  it('keep the latest one however large it is, and no revision but its own', () => {
    const open = new OpenProjects();
    open.keep(stored('small', 10));
    open.keep(stored('large', 9000));
    expect([open.at('small', 1), open.at('large', 1)?.id, open.at('large', 2)]).toEqual([
      undefined,
      'large',
      undefined,
    ]);
    open.keep(stored('large', 20, 2));
    open.keep(stored('small', 10));
    expect([open.at('large', 2)?.id, open.at('small', 1)?.id]).toEqual(['large', 'small']);
  });
});
