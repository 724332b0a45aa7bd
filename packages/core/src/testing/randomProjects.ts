import { START_KITS, startGoals, startProject, type StartMoves } from '../authoring/building/index.ts';
import { freshRule, takenConditions } from '../authoring/edits/index.ts';
import type { FindingCode } from '../authoring/findings/index.ts';
import { literal, type Condition, type Level, type Project, type Rule } from '../document/model/index.ts';
import { drawAt } from '../basics/random/index.ts';
import { atLeast, atMost, is, rule } from './garden.ts';

/** Draws that a seed decides. */
export class Dice {
  #drawn = 0;
  readonly #seed: number;

  constructor(seed: number) {
    this.#seed = seed;
  }

  /** A whole number below another. */
  below(count: number): number {
    return Math.floor(drawAt(this.#seed, 77, this.#drawn++) * count);
  }

  one<T>(list: readonly T[]): T {
    return list[this.below(list.length)] as T;
  }

  isBelow(share: number): boolean {
    return drawAt(this.#seed, 78, this.#drawn++) < share;
  }
}

type Spot = { x: number; y: number };

/** The middles of the open cells that are joined with the start, those nearest to it first. */
function openSpots({ ground: { rows, pieces } }: Level): Spot[] {
  const start = pieces.find(({ piece }) => piece === 'start')!.at;
  const waiting: Spot[] = [{ x: Math.floor(start.x), y: Math.floor(start.y) }];
  const seen = new Set(waiting.map(({ x, y }) => `${x} ${y}`));
  for (const { x, y } of waiting)
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const key = `${x + dx} ${y + dy}`;
      if (rows[y + dy]?.[x + dx] !== '.' || seen.has(key)) continue;
      seen.add(key);
      waiting.push({ x: x + dx, y: y + dy });
    }
  return waiting.slice(1).map(({ x, y }) => ({ x: x + 0.5, y: y + 0.5 }));
}

const firstWin = ({ rules }: Level): Rule | undefined =>
  rules.find(({ then }) => then.some(({ effect }) => effect === 'win'));
const isRun = ({ ground }: Level): boolean => 'sections' in ground;
const both = (id: string, kind: 'all' | 'any', ...of: Condition[]): Condition => ({ id, is: kind, of });
const cue = (id: string, when: Condition): Rule => rule(id, when, [{ effect: 'cue', name: id }]);
const kindOf = ({ kinds }: Project): string | undefined => kinds.collectables[0]?.id;

/** Changes that leave a level sound: what a designer does who knows the game. */
const SOUND: readonly ((project: Project, level: Level, dice: Dice) => void)[] = [
  // Another way to win that nobody needs.
  (_project, level) => {
    const win = firstWin(level);
    if (win) win.when = both('ways', 'any', win.when, atLeast('far', { reading: 'timeElapsed' }, 100_000));
  },
  // A win that a state forbids.
  (_project, level) => {
    const win = firstWin(level);
    const none: Condition = {
      id: 'safe',
      is: 'none',
      of: [{ ...atLeast('worn', { reading: 'health' }, 10), comparison: 'lessThan' } as Condition],
    };
    if (win) win.when = both('and', 'all', win.when, none);
  },
  // A milestone with a message that can be read.
  (_project, level) =>
    void level.rules.push(
      rule('told', atLeast('told-when', { reading: 'timeElapsed' }, 2), [
        { effect: 'message', text: 'The light goes.', seconds: literal(2) },
      ]),
    ),
  // Stars that count downwards.
  (_project, level) => {
    const { limitSeconds } = level.clock;
    if (limitSeconds)
      level.stars = {
        is: 'ladder',
        reading: 'timeElapsed',
        direction: 'atMost',
        thresholds: [null, literal(9), literal(6)],
      };
  },
  // Something hidden that a milestone shows.
  (project, level, dice) => {
    const kind = kindOf(project);
    if (kind === undefined || isRun(level)) return;
    const at = dice.one(openSpots(level).slice(0, 40));
    level.ground.pieces.push({ id: 'hidden', piece: 'collectable', kind, at, hidden: true });
    level.rules.push(
      rule('show', atLeast('show-when', { reading: 'timeElapsed' }, 1), [{ effect: 'reveal', piece: 'hidden' }]),
    );
  },
  // A gate that a latch before it opens.
  (_project, level, dice) => {
    const spots = openSpots(level);
    if (isRun(level) || spots.length < 30) return;
    const [latch, gate] = [spots[2 + dice.below(6)]!, spots[20 + dice.below(8)]!];
    level.ground.pieces.push(
      { id: 'a-latch', piece: 'latch', name: 'Latch', at: latch, opens: ['a-gate'] },
      {
        id: 'a-gate',
        piece: 'gate',
        name: 'Gate',
        at: { x: gate.x - 0.5, y: gate.y - 0.5 },
        width: 1,
        height: 1,
        open: false,
      },
    );
  },
  // A wave that a milestone sends.
  (project, level, dice) => {
    const [enemy] = project.kinds.enemies;
    const spots = openSpots(level);
    if (!enemy || isRun(level) || level.ground.kind !== 'roam' || spots.length < 30) return;
    level.ground.pieces.push({
      ...{
        id: 'wave',
        piece: 'spawner',
        kind: enemy.id,
        at: dice.one(spots.slice(20)),
        starts: 'milestone',
        safeDistance: 8,
      },
      ...{ howMany: literal(2), firstAfterSeconds: literal(0), everySeconds: literal(1) },
    });
    level.rules.push(
      rule('send', atLeast('send-when', { reading: 'timeElapsed' }, 5), [{ effect: 'wave', spawner: 'wave' }]),
    );
  },
  // A clock that waits for something.
  (_project, level) => {
    if (level.clock.limitSeconds === null || level.clock.atExpiry === 'win') return;
    level.clock.starts = 'condition';
    level.clock.startsWhen = atLeast('moved', { reading: 'distance' }, 1);
  },
];

/** A sound project of a random kind of ground, with random sound changes. */
export function soundProject(seed: number): Project {
  const dice = new Dice(seed);
  const moves = dice.one(Object.keys(START_KITS) as StartMoves[]);
  const goal = dice.one(Object.keys(startGoals(moves)));
  const project = startProject({ moves, goal, levels: 3 + dice.below(6) });
  for (const level of Object.values(project.levels))
    for (const change of SOUND) if (dice.isBelow(0.3)) change(project, level, dice);
  return project;
}

/** Puts one mistake into a level. @returns false where it cannot be made there */
type Plant = (project: Project, level: Level, dice: Dice) => boolean | void;

const ask = (level: Level, condition: Condition): boolean => {
  const win = firstWin(level);
  if (win) win.when = both('asked', 'all', win.when, condition);
  return win !== undefined;
};
const placed = ({ ground }: Level): number => ground.pieces.filter(({ piece }) => piece === 'collectable').length;
const parameterOf = (project: Project, dice: Dice) => dice.one(project.parameters);
const wallRound = (level: Level, { x, y }: Spot): void => {
  const [column, row] = [Math.floor(x), Math.floor(y)];
  level.ground.rows = level.ground.rows.map((text, at) =>
    [...text]
      .map((cell, place) => (Math.max(Math.abs(place - column), Math.abs(at - row)) === 1 ? '#' : cell))
      .join(''),
  );
};

/** Mistakes that people make, by the class that they are of. */
export const PLANTS: Readonly<Partial<Record<FindingCode, Plant>>> = {
  'no-way-to-win': (_p, level) => {
    if (level.clock.atExpiry !== 'lose' && level.clock.limitSeconds !== null) return false;
    level.rules = level.rules.filter((one) => one !== firstWin(level));
  },
  'already-true': (_p, level) => {
    const win = firstWin(level);
    if (!win) return false;
    win.when = both('at-once', 'any', win.when, atLeast('always', { reading: 'timeElapsed' }, 0));
  },
  'target-beyond-placed': (_p, level, dice) =>
    !isRun(level) &&
    level.clock.atExpiry === 'lose' &&
    ask(level, atLeast('too-many', { reading: 'collected', of: 'any' }, placed(level) + 2 + dice.below(9))),
  'goal-unreachable': (_p, level) => {
    const goal = level.ground.pieces.find(({ piece }) => piece === 'goal');
    const at = openSpots(level).at(-1);
    if (!goal || goal.piece !== 'goal' || !at || isRun(level)) return false;
    Object.assign(goal, { at: { x: at.x - 0.4, y: at.y - 0.4 }, width: 0.8, height: 0.8 });
    wallRound(level, at);
    return firstWin(level)?.when.is === 'onOff';
  },
  'never-reachable': (_p, level, dice) =>
    void level.rules.push(cue('never', atMost('never-when', { reading: 'lives' }, -1 - dice.below(5)))),
  contradiction: (_p, level, dice) => {
    const from = 5 + dice.below(10);
    level.rules.push(
      cue(
        'torn',
        both(
          'torn-all',
          'all',
          atLeast('torn-1', { reading: 'timeElapsed' }, from),
          atMost('torn-2', { reading: 'timeElapsed' }, from - 1),
        ),
      ),
    );
  },
  'exact-jumped-over': (project, level) => {
    const kind = kindOf(project);
    if (kind === undefined || isRun(level) || placed(level) < 2) return false;
    level.rules.push(
      cue('exact', {
        ...atLeast('exact-when', { reading: 'collected', of: kind }, 1.5),
        comparison: 'exactly',
      } as Condition),
    );
  },
  'clock-never-starts': (_p, level) => {
    if (level.clock.limitSeconds === null) return false;
    level.clock.starts = 'condition';
    level.clock.startsWhen = atMost('no-lives', { reading: 'lives' }, -1);
  },
  'clock-absent': (_p, level) => {
    level.clock.limitSeconds = null;
    level.clock.warnAtSeconds = null;
    level.rules.push(cue('late', atMost('late-when', { reading: 'timeLeft' }, 5)));
  },
  'star-out-of-order': (_p, level) =>
    void (level.stars = {
      is: 'ladder',
      reading: 'score',
      direction: 'atLeast',
      thresholds: [null, literal(50), literal(20)],
    }),
  'star-unreachable': (_p, level, dice) =>
    void (level.stars = {
      is: 'ladder',
      reading: 'health',
      direction: 'atLeast',
      thresholds: [null, literal(101 + dice.below(50))],
    }),
  'star-gate-beyond-earnable': (project, _level, dice) => {
    project.slots[1]!.starGate = literal(6 + dice.below(4));
  },
  'ramp-leaves-sane-range': (project, _level, dice) => {
    const parameter = parameterOf(project, dice);
    const { shape } = parameter.ramp;
    if (shape.type !== 'ease') return false;
    shape.to = parameter.sane.max * 1.5 + 1;
    shape.halfway = 0.5;
    delete parameter.ramp.atMost;
  },
  'formula-error': (project, _level, dice) =>
    void (parameterOf(project, dice).ramp = { shape: { type: 'formula', text: 'level * nothingLikeThis' } }),
  'formula-cycle': (project, _level, dice) => {
    const parameter = parameterOf(project, dice);
    parameter.ramp = { shape: { type: 'formula', text: `${parameter.key} + 1` } };
  },
  'piece-in-wall': (project, level) => {
    const kind = kindOf(project);
    const row = level.ground.rows.findIndex((text) => text.includes('#'));
    if (kind === undefined || row < 0) return false;
    const column = level.ground.rows[row]!.indexOf('#');
    level.ground.pieces.push({ id: 'walled', piece: 'collectable', kind, at: { x: column + 0.5, y: row + 0.5 } });
  },
  'latch-or-gate-alone': (_p, level, dice) => {
    const spots = openSpots(level);
    if (isRun(level) || spots.length < 12) return false;
    const at = spots[10 + dice.below(2)]!;
    level.ground.pieces.push({
      id: 'shut',
      piece: 'gate',
      name: 'Shut gate',
      at: { x: at.x - 0.5, y: at.y - 0.5 },
      width: 1,
      height: 1,
      open: false,
    });
  },
  'gate-locks-only-way': (_p, level) => {
    const { rows, pieces } = level.ground;
    // Room for a ring of walls round a cell, with nothing in it.
    const isFree = ({ x, y }: Spot): boolean =>
      x > 2 &&
      y > 2 &&
      x < rows[0]!.length - 2 &&
      y < rows.length - 2 &&
      rows[Math.floor(y)]![Math.floor(x) - 2] === '.' &&
      !pieces.some(({ at }) => Math.abs(at.x - x) < 3 && Math.abs(at.y - y) < 3);
    const at = isRun(level) ? undefined : openSpots(level).findLast(isFree);
    if (!at) return false;
    const gate: Spot = { x: Math.floor(at.x) - 1, y: Math.floor(at.y) };
    wallRound(level, at);
    level.ground.rows = level.ground.rows.map((text, y) =>
      y === gate.y ? `${text.slice(0, gate.x)}.${text.slice(gate.x + 1)}` : text,
    );
    pieces.push(
      { id: 'inner', piece: 'latch', name: 'Inner latch', at, opens: ['lock'] },
      { id: 'lock', piece: 'gate', name: 'Lock', at: gate, width: 1, height: 1, open: false },
    );
  },
  'start-in-danger': (_p, level) => {
    if (level.ground.kind === 'run') return false;
    const start = level.ground.pieces.find(({ piece }) => piece === 'start')!;
    const [column, row] = [Math.floor(start.at.x), Math.floor(start.at.y)];
    level.ground.rows = level.ground.rows.map((text, y) =>
      y === row ? `${text.slice(0, column)}#${text.slice(column + 1)}` : text,
    );
  },
  'next-leads-to-itself': (_p, level) => void (level.ending.won.next = { to: 'retry' }),
  'rules-alike': (_p, level) => {
    const win = firstWin(level);
    if (win) level.rules.push(freshRule(win, new Set(level.rules.map(({ id }) => id)), takenConditions(level)));
    return win !== undefined;
  },
  'message-too-short': (_p, level) =>
    void level.rules.push(
      rule('flash', atLeast('flash-when', { reading: 'timeElapsed' }, 1), [
        { effect: 'message', text: 'This cannot be read in so short a time.', seconds: literal(0.5) },
      ]),
    ),
  'held-too-long': (_p, level) =>
    void level.rules.push(
      cue('patient', {
        ...is('patient-when', { reading: 'offGround' }, false),
        heldSeconds: literal(700),
      } as Condition),
    ),
};

/** A sound project into one level of which one mistake was put. @returns undefined where it cannot be made there */
export function mistakenProject(seed: number, code: FindingCode): { project: Project; slotId: string } | undefined {
  const dice = new Dice(seed + 1_000_000);
  const project = soundProject(seed);
  const slot = dice.one(project.slots);
  const level = project.levels[slot.levelId];
  const plant = PLANTS[code];
  if (!level || !plant || plant(project, level, dice) === false) return undefined;
  return { project, slotId: slot.id };
}
