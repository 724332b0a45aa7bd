import { viewOf, type Area, type Gap, type GroundKind, type View, type World } from '../../attempt/index.ts';
import { isWall } from '../../grid/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';
import type { RunMotion, RunOwn } from './state.ts';

/** How a body runs, and the inputs of it. */
type Running = Pick<GroundKind<RunMotion, RunOwn>, 'start' | 'moveBody'> & {
  inputs: { none: number; jump: number; slide: number };
};

const NOBODY = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };
/** Number of ticks before harm at which the first press is tried. */
const EARLIEST = 60;
/** Tried presses, and how long each is held. Ticks. */
const HOLDS = [
  ['jump', 30],
  ['jump', 8],
  ['slide', 20],
  ['slide', 54],
] as const;
/** Ticks between two presses of the first round; where one succeeds, every tick is tried. */
const COARSE = 3;
/** Nothing is followed for longer. Ticks. */
const LONGEST = 1200;
/** Distance beyond the end of an obstacle at which the player is past it. Units. */
const BEYOND = 0.4;
/** Length of a safe stretch that ends an obstacle. Units. */
const SAFE_UNITS = 1.2;
const FEET_GAP = 1e-6;

interface Runner {
  body: typeof NOBODY;
  own: RunOwn;
}

const copyOf = ({ body, own }: Runner): Runner => ({ body: { ...body }, own: { ...own } });

const canStand = ({ grid }: View, column: number, row: number): boolean =>
  row >= 0 && row + 1 < grid.height && !isWall(grid, column, row) && isWall(grid, column, row + 1);

/** Row of the lowest cell of a column that has a floor below it; -1 where there is none. */
function footing(view: View, column: number): number {
  for (let row = view.grid.height - 2; row >= 0; row--) if (canStand(view, column, row)) return row;
  return -1;
}

const isIn = ({ body }: Runner, { x, y, width, height }: Area): boolean =>
  body.x >= x && body.x <= x + width && body.y + body.half >= y && body.y - body.half <= y + height;

type Clears = (at: number) => boolean;

/** Returns the longest row of presses that clear something; windows between tried presses are missed. */
function widestTried(many: number, clears: Clears): number {
  let most = 0;
  let first = -1;
  for (let at = 0; at < many + COARSE; at += COARSE) {
    const does = at < many && clears(at);
    if (does && first < 0) first = at;
    if (does || first < 0) continue;
    let [low, high] = [first, at - COARSE];
    while (low > 0 && low > first - COARSE && clears(low - 1)) low--;
    while (high + 1 < Math.min(many, at) && clears(high + 1)) high++;
    most = Math.max(most, high - low + 1);
    first = -1;
  }
  return most;
}

/** Returns the longest row of presses that clear something, with every press tried. */
function widestOfAll(many: number, clears: Clears): number {
  let most = 0;
  let inARow = 0;
  for (let at = 0; at < many; at++) {
    inARow = clears(at) ? inARow + 1 : 0;
    most = Math.max(most, inARow);
  }
  return most;
}

/** The most presses in a row that clear something in one of several ways. */
function widest(many: number, ways: readonly Clears[]): number {
  const tried = Math.max(...ways.map((clears) => widestTried(many, clears)));
  // A missed window lies between two tries: it is narrower than their distance.
  return tried >= COARSE - 1 ? tried : Math.max(...ways.map((clears) => widestOfAll(many, clears)));
}

/** Returns the obstacles of a run with the margin of each: pits, walls, beams and harmful things. */
export function obstaclesOn(kind: Running, world: World): Gap[] {
  const view = viewOf(world, []);
  const { level, grid } = world;
  const { radius } = level.motion.player;
  const hazards = level.motion.pieces.hazard as readonly Area[];
  const usual = kind.start(world, { ...NOBODY, radius });
  if (usual.speed <= 0) return [];
  const { none, jump, slide } = kind.inputs;

  const isHurt = (runner: Runner): boolean =>
    runner.own.fell || runner.own.blocked || hazards.some((area) => isIn(runner, area));
  /** Past the right end nobody is hurt any more. */
  const isPast = ({ body }: Runner): boolean => body.x + radius >= grid.width - 0.5;
  const move = (runner: Runner, input: number): void => kind.moveBody(world, view, runner.body, runner.own, input);
  const standingAt = (column: number): Runner | undefined => {
    const row = footing(view, column);
    if (row < 0 || isWall(grid, column, Math.floor(row + 1 - 2 * usual.halfTall))) return undefined;
    const body = { ...NOBODY, radius, x: column + 0.5, y: row + 1 - usual.halfTall - FEET_GAP };
    body.half = usual.halfTall - radius;
    return { body, own: { ...usual, onFloor: true, airTicks: 0 } };
  };
  /** Does one who does this from here come to stand beyond a place? */
  const comesBy = (from: Runner, does: number, ticks: number, beyond: number): boolean => {
    const runner = copyOf(from);
    for (let tick = 0; tick < LONGEST; tick++) {
      move(runner, tick < ticks ? does : none);
      if (isHurt(runner)) return false;
      if (isPast(runner) || (runner.body.x >= beyond && runner.own.onFloor && tick >= ticks)) return true;
    }
    return false;
  };
  /** Where an obstacle that hurts at a place is over: the first column from which one runs on for a while. */
  const endOf = (from: number): number => {
    for (let column = Math.floor(from); column < grid.width; column++) {
      const runner = standingAt(column);
      if (!runner) continue;
      let safe = !isHurt(runner);
      for (let tick = 0; safe && tick < SAFE_UNITS / (usual.speed * TICK_SECONDS); tick++) {
        move(runner, none);
        safe = !isHurt(runner);
      }
      if (safe && column >= from) return column;
    }
    return grid.width;
  };

  const found: Gap[] = [];
  let start = standingAt(0);
  while (start && found.length < 40) {
    // Everything that it was just before it would be hurt, so that presses can begin there.
    const past: Runner[] = [];
    const runner = copyOf(start);
    let hurt = false;
    /** Where it stood last. */
    let stood = runner.body.x;
    for (let tick = 0; tick < LONGEST && !isPast(runner); tick++) {
      past.push(copyOf(runner));
      if (past.length > EARLIEST) past.shift();
      move(runner, none);
      hurt = isHurt(runner);
      if (hurt) break;
      if (runner.own.onFloor) stood = runner.body.x;
    }
    if (!hurt) break;
    const { x, y, half } = runner.body;
    let from = Math.floor(runner.own.blocked ? x + radius + 0.02 : x);
    const inPit = !runner.own.onFloor && y + half > start.body.y + start.body.half + 0.02;
    if (inPit) {
      // A pit begins where the floor ends.
      from = Math.floor(stood);
      while (from < grid.width && footing(view, from) >= 0) from++;
    }
    const end = endOf(from);
    const beyond = Math.min(end + BEYOND, grid.width - radius - 1);
    const ways = HOLDS.map(
      ([does, ticks]): Clears =>
        (at) =>
          past[at] !== undefined && comesBy(past[at], does === 'jump' ? jump : slide, ticks, beyond),
    );
    const most = widest(past.length, ways);
    const floor = Math.min(grid.height, Math.round(y + half + radius));
    found.push({
      x: from,
      y: inPit ? footing(view, Math.max(0, from - 1)) + 1 || floor : floor,
      width: Math.max(1, end - from),
      seconds: most * TICK_SECONDS,
      overPit: true,
    });
    start = end < grid.width - 1 ? standingAt(end) : undefined;
  }
  return found;
}

/** No jump is drawn for longer. Ticks. */
const LONGEST_DRAWN = 180;

/** The ways of a jump from a cell, held for long and for a moment: each as x, y, x, y … None from where nobody can stand. */
export function runnersFrom(kind: Running, world: World, column: number, row: number): number[][] {
  const view = viewOf(world, []);
  if (!canStand(view, column, row)) return [];
  const { radius } = world.level.motion.player;
  const usual = kind.start(world, { ...NOBODY, radius });
  return [60, 4].map((held) => {
    const body = { ...NOBODY, radius, x: column + 0.5, y: row + 1 - usual.halfTall - FEET_GAP };
    const own = { ...usual, onFloor: true, airTicks: 0 };
    const points = [body.x, body.y];
    for (let tick = 0; tick < LONGEST_DRAWN && !(tick > 2 && own.onFloor) && !own.fell && !own.blocked; tick++) {
      kind.moveBody(world, view, body, own, tick < held ? kind.inputs.jump : kind.inputs.none);
      points.push(body.x, body.y);
    }
    return points;
  });
}
