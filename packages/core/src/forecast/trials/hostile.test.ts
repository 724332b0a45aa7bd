import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { START_KITS, startGoals, startProject, type StartMoves } from '../../authoring/building/index.ts';
import { importProject } from '../../exchange/formats/index.ts';
import { prepareLevel } from '../../play/movement/index.ts';
import { documentOf, literal, type Amount, type Ground, type Project } from '../../document/model/index.ts';
import { PERFECT } from '../pacers/index.ts';
import { LONGEST_ATTEMPT_SECONDS, levelRunner } from './index.ts';
import { depth } from '../../testing/index.ts';

/** Changes that a hostile document makes to a level: numbers of the body and of parameters, cells turned over, many pieces. */
interface Unkind {
  position: number;
  numbers: number[];
  /** Shares of the way through a ground. */
  cells: number[];
  seed: number;
}

const unkind: fc.Arbitrary<Unkind> = fc.record({
  position: fc.integer({ min: 1, max: 12 }),
  numbers: fc.array(fc.constantFrom(0, 0.001, 0.5, 3, 40, 1000), { minLength: 12, maxLength: 12 }),
  cells: fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { maxLength: 40 }),
  seed: fc.nat(1000),
});

/** Rows with some cells turned over: wall to open, and back. */
function turnedOver(rows: readonly string[], cells: readonly number[]): string[] {
  const width = rows[0]!.length;
  const turned = new Set(cells.map((share) => Math.floor(share * rows.length * width)));
  return rows.map((row, y) =>
    [...row].map((cell, x) => (turned.has(y * width + x) ? (cell === '#' ? '.' : '#') : cell)).join(''),
  );
}

function spoilt(moves: StartMoves, goal: string, { position, numbers, cells }: Unkind): Project {
  const project = startProject({ moves, goal, levels: 12 });
  const level = project.levels[`level-${position}`]!;
  const next = (index: number): Amount => literal(numbers[index % numbers.length]!);
  const body = project.player.moves[moves] as Record<string, Amount> | undefined;
  Object.keys(body ?? {}).forEach((name, index) => (body![name] = next(index)));
  project.parameters.forEach((parameter, index) => {
    parameter.pins = { [`slot-${position}`]: numbers[(index + 5) % numbers.length]! };
  });
  const ground: Ground = level.ground;
  ground.rows = turnedOver(ground.rows, cells);
  if ('sections' in ground) for (const section of ground.sections) section.rows = turnedOver(section.rows, cells);
  level.clock = { ...level.clock, limitSeconds: literal(12), starts: 'load' };
  return project;
}

describe('whatever numbers and cells a document holds', () => {
  it.each(Object.keys(START_KITS) as StartMoves[])(
    '%s: every attempt comes to an end, with numbers that are numbers',
    (moves) => {
      const goals = Object.keys(startGoals(moves));
      fc.assert(
        fc.property(unkind, fc.constantFrom(...goals), fc.nat(3), (given, goal, who) => {
          const project = spoilt(moves, goal, given);
          expect(importProject(documentOf(project))).toMatchObject({ ok: true });
          const pacer = project.pacers[who] ?? { abilities: PERFECT, spread: 0 };
          const result = levelRunner(prepareLevel(project, given.position)).play(pacer, given.seed);
          expect(result.length).toBeLessThanOrEqual(LONGEST_ATTEMPT_SECONDS * 60);
          const { x, y } = result.place!;
          const told = [x, y, result.score, result.worth, result.livesLeft, result.stars];
          expect(told.filter((value) => !Number.isFinite(value))).toEqual([]);
        }),
        { numRuns: depth(15, 5), endOnFailure: true },
      );
    },
  );
});
