import { describe, expect, it } from '@jest/globals';
import { REST, startAttempt, step } from '../../play/attempt/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { makeWorld } from '../../play/movement/index.ts';
import { documentOf, ProjectDocument, projectOf, type Project } from '../../document/model/index.ts';
import { applyPatch } from '../../basics/patch/index.ts';
import { Dice, depth, soundProject } from '../../testing/index.ts';
import { secondsToTicks } from '../../play/rules/index.ts';
import { FindingBook, findingsOf } from './index.ts';
import { checkedOf, slotFacts, type SlotFacts } from './scopes.ts';
import { mayBeHurt } from './untouched.ts';

const SECONDS = 3;

const factsOf = (project: Project): SlotFacts[] => {
  const checked = checkedOf(project);
  return project.slots.map((slot, index) => slotFacts(checked, slot, project.levels[slot.levelId]!, index + 1));
};

/** Is a life, or the level, lost by who stays at the start, and is not carried away from there? */
function isHurt({ prepared }: SlotFacts, seed: number): boolean {
  const state = startAttempt(makeWorld(prepared), seed);
  const { lives } = state.observed;
  const { x, y } = state.body;
  for (let tick = 0; tick < secondsToTicks(SECONDS) && state.phase === 'playing'; tick++) {
    step(state, REST);
    if (Math.abs(state.body.x - x) > 1.2 || Math.abs(state.body.y - y) > 1.2) return false;
  }
  return state.phase === 'lost' || state.observed.lives < lives;
}

describe('who stays at the start', () => {
  it('is never hurt where it is said that nothing may', () => {
    const seeing = Array.from({ length: 8 }, (_, sight) => {
      const project = homeBeforeDusk();
      const parameter = project.parameters.find(({ key }) => key === 'hornetSight')!;
      parameter.ramp = { ...parameter.ramp, shape: { type: 'hold', value: 2 * sight } };
      return project;
    });
    const projects = [...seeing, ...Array.from({ length: depth(20, 10) }, (_, seed) => soundProject(seed))];
    const safe = projects.flatMap(factsOf).filter((facts) => !mayBeHurt(facts, SECONDS));
    expect(safe.length).toBeGreaterThanOrEqual(40);
    for (const facts of safe) for (const seed of [0, 1]) expect(isHurt(facts, seed)).toBe(false);
  });
});

/** Pointers to all numbers of a value. */
function numbersIn(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return [path];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([name, part]) => numbersIn(part, `${path}/${name}`));
}

describe('a book of findings of a random project', () => {
  it('finds after a change of any number what a new book finds', () => {
    const dice = new Dice(5);
    let tried = 0;
    for (let seed = 0; seed < depth(6, 1); seed++) {
      const book = new FindingBook();
      let document = documentOf(soundProject(seed));
      const paths = numbersIn(document).filter((path) => !path.startsWith('/version'));
      for (let edit = 0; edit < depth(25, 12); edit++) {
        const path = paths[dice.below(paths.length)]!;
        const edited = applyPatch(document, [{ op: 'replace', path, value: dice.below(9) }]);
        if (!ProjectDocument.safeParse(edited).success) continue;
        document = edited;
        const project = projectOf(document);
        expect([path, book.of(project)]).toEqual([path, findingsOf(project)]);
        tried++;
      }
    }
    expect(tried).toBeGreaterThan(depth(60, 5));
  });
});
