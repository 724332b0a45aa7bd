import { startAttempt, step, type AttemptState } from '../play/attempt/index.ts';
import { makeWorld, prepareLevel } from '../play/movement/index.ts';
import { homeBeforeDusk } from '../exchange/demo/index.ts';
import type { Condition, Effect, Level, Piece, Project, Reading, Rule } from '../document/model/index.ts';
import { literal } from '../document/model/index.ts';

const EMPTY = [
  '####################',
  ...Array.from({ length: 10 }, () => '#..................#'),
  '####################',
];

/** Changes of a test in the garden. */
export interface Garden {
  rows?: string[];
  pieces?: Piece[];
  rules?: Rule[];
  change?: (project: Project, level: Level) => void;
  /** The project has this level only: findings of the others take most of the time. */
  alone?: boolean;
}

/** The demo with its first level laid bare: an empty field, the start at 2.5, 5.5, no rules but those given, no clock. */
export function garden({ rows = EMPTY, pieces = [], rules = [], change, alone = false }: Garden): Project {
  const project = homeBeforeDusk();
  const level = project.levels['clover-steps']!;
  level.ground = { kind: 'roam', rows, pieces: [{ id: 'start', piece: 'start', at: { x: 2.5, y: 5.5 } }, ...pieces] };
  level.rules = rules;
  level.clock = { limitSeconds: null, starts: 'load', warnAtSeconds: null, parSeconds: null, atExpiry: 'lose' };
  level.stars = { is: 'ladder', reading: 'timeLeft', direction: 'atLeast', thresholds: [null] };
  project.standing = [];
  for (const other of Object.values(project.levels)) {
    other.standingRulesOff = [];
    for (const rule of other.rules) delete rule.replaces;
  }
  if (alone) {
    project.slots = project.slots.slice(0, 1);
    project.levels = { 'clover-steps': level };
    project.tiers = project.tiers.slice(0, 1);
    project.expectations = [];
  }
  change?.(project, level);
  return project;
}

/** An attempt at the garden, before its first tick. */
export const inGarden = (made: Garden): AttemptState => startAttempt(makeWorld(prepareLevel(garden(made), 1)), 1);

export function run(state: AttemptState, input: number, ticks: number): AttemptState {
  for (let i = 0; i < ticks && state.phase === 'playing'; i++) step(state, input);
  return state;
}

export const is = (id: string, reading: Reading, on = true): Condition => ({ id, is: 'onOff', reading, on });
export const atLeast = (id: string, reading: Reading, value: number): Condition => ({
  id,
  is: 'compare',
  reading,
  comparison: 'atLeast',
  amount: literal(value),
});
export const atMost = (id: string, reading: Reading, value: number): Condition => ({
  id,
  is: 'compare',
  reading,
  comparison: 'atMost',
  amount: literal(value),
});
export const rule = (id: string, when: Condition, then: Effect[], fires: Rule['fires'] = 'once'): Rule => ({
  id,
  when,
  then,
  fires,
});
export const clover = (id: string, x: number, y = 5.5): Piece => ({
  id,
  piece: 'collectable',
  kind: 'clover',
  at: { x, y },
});
