import { sectionsOf } from '../../play/grid/index.ts';
import type { Condition, EnemyKind, Level, Piece, Reading } from '../../document/model/index.ts';
import { compare, liveAmount, type RuleInForce } from '../../play/rules/index.ts';
import { hurts, neededIn } from './conditions.ts';
import { beside, distance, enemyKind, startOf } from './dangers.ts';
import type { SlotFacts } from './scopes.ts';

/** Distance from the start within which things may be touched without acting. Units. */
const NEAR = 2;

/** Does an area lie close to the start? @param near so close, units */
export function isNearStart(
  area: { at: { x: number; y: number }; width: number; height: number },
  level: Level,
  near = NEAR,
): boolean {
  const { x, y } = startOf(level);
  return beside(x, area.at.x, area.width) <= near && beside(y, area.at.y, area.height) <= near;
}

/** May an inside reading hold while nobody acts? */
export const mayBeInside = (reading: Reading, level: Level): boolean =>
  reading.reading === 'inside' &&
  level.ground.pieces.some((piece) => piece.id === reading.zone && 'width' in piece && isNearStart(piece, level));

/** Returns a reading while nobody acts; undefined where it is not known without playing. */
function untouchedReading(reading: Reading, { project, level, number }: SlotFacts): number | undefined {
  switch (reading.reading) {
    case 'worth':
    case 'collected':
    case 'enemiesBeaten':
    case 'crossings':
    case 'sectionsPassed':
    case 'distance':
    case 'latch':
      return 0;
    case 'inside':
      return mayBeInside(reading, level) ? undefined : 0;
    case 'lives':
      return Math.max(0, Math.round(number(project.run.livesAtStart)));
    default:
      return undefined;
  }
}

/** Returns a reading before the first tick; undefined where it is not known without playing. */
export function firstReading(reading: Reading, here: SlotFacts): number | undefined {
  switch (reading.reading) {
    case 'touching':
    case 'touchingWall':
    case 'offGround':
    case 'blocked':
    case 'sideBeaten':
    case 'rounds':
    case 'fallen':
      return 0;
    case 'healthShare':
      return here.level.bout ? 1 : 0;
    case 'tally':
      return here.project.tallies.find(({ id }) => id === reading.tally)?.start;
    default:
      return untouchedReading(reading, here);
  }
}

/** Does a condition surely not hold while nobody acts? @param read what readings are then, where that is known */
export const isFalseUntouched = (condition: Condition, here: SlotFacts, read = untouchedReading): boolean =>
  neededIn(condition).some(({ leaf }) => {
    const value = read(leaf.reading, here);
    if (value === undefined) return false;
    return leaf.is === 'onOff' ? leaf.on !== (value !== 0) : !compare(leaf.comparison, value, here.number(leaf.amount));
  });

/** Does anything that hurts cover a cell close to the start? */
export function isWaterNearStart(level: Level): boolean {
  const { x, y } = startOf(level);
  const around = (at: number): [from: number, to: number] => [
    Math.max(0, Math.floor(at) - NEAR),
    Math.floor(at) + NEAR + 1,
  ];
  return level.ground.rows.slice(...around(y)).some((row) => row.slice(...around(x)).includes('~'));
}

interface Spot {
  x: number;
  y: number;
}

/** How far a place is from the straight way between two others. Units. */
function distanceToWay(place: Spot, from: Spot, to: Spot): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : ((place.x - from.x) * dx + (place.y - from.y) * dy) / length;
  const share = Math.min(1, Math.max(0, along));
  return distance(place, { x: from.x + share * dx, y: from.y + share * dy });
}

/** An enemy that is on the ground, or that is sent. */
interface Coming {
  kind: EnemyKind;
  at: Spot;
  /** Where a patrol goes after its place. */
  path: readonly Spot[];
  /** The start of the level. */
  start: Spot;
  /** So near it may touch. Units. */
  near: number;
  /** It has so long. */
  seconds: number;
  number: SlotFacts['number'];
}

/** May an enemy that moves so touch who stays at the start? */
const COMES: { readonly [M in EnemyKind['movement']]: (coming: Coming) => boolean } = {
  // A chaser that sees nobody stays at home.
  chase: ({ kind, at, start, near, number }) =>
    kind.movement !== 'chase' || distance(at, start) <= number(kind.sight) + near,
  patrol: ({ at, path, start, near }) =>
    [at, ...path].some((from, index, way) => distanceToWay(start, from, way[index + 1] ?? from) <= near),
  still: ({ at, start, near }) => distance(at, start) <= near,
  walk: ({ kind, at, start, near, seconds, number }) => distance(at, start) <= number(kind.speed) * seconds + near,
  fall: ({ at, start, near }) => Math.abs(at.x - start.x) <= near,
  circle: ({ kind, at, start, near }) => kind.movement !== 'circle' || distance(at, start) <= kind.distance + near,
  // In again from the other side: anywhere.
  cross: () => true,
};

type PieceThat<N extends Piece['piece']> = Extract<Piece, { piece: N }>;

/** @param around how far from its place it may begin, units */
function enemyMayCome(piece: PieceThat<'enemy' | 'spawner'>, here: SlotFacts, seconds: number, around = 0): boolean {
  const { project, level, resolving, number } = here;
  const kind = enemyKind(project, piece.kind);
  if (!kind) return true;
  const moves = kind.movement === 'chase' ? [kind.speed, kind.sight] : [kind.speed];
  // Amounts that readings or milestones move may have any value.
  if (moves.some((amount) => liveAmount(amount, resolving) !== undefined)) return true;
  const near = NEAR + kind.radius + project.player.radius + around;
  const path = piece.piece === 'enemy' ? (piece.path ?? []) : [];
  return COMES[kind.movement]({ kind, at: piece.at, path, start: startOf(level), near, seconds, number });
}

function mayComeOf(piece: Piece, here: SlotFacts, seconds: number): boolean {
  const { level, number, resolving } = here;
  switch (piece.piece) {
    case 'enemy':
      return enemyMayCome(piece, here, seconds);
    case 'spawner': {
      const { width, height } = piece.spread ?? { width: 0, height: 0 };
      return enemyMayCome(piece, here, seconds, width + height);
    }
    case 'emitter':
      return (
        liveAmount(piece.reach, resolving) !== undefined ||
        distance(piece.at, startOf(level)) <= number(piece.reach) + 2 * NEAR
      );
    case 'hazard':
      return isNearStart(piece, level);
    case 'lane':
      return true;
    default:
      return false;
  }
}

/** Readings that change only when something comes near. */
const BY_TOUCH: ReadonlySet<Reading['reading']> = new Set(['touching', 'health', 'lives']);

/** Does a rule hurt by itself: not for a touch, and not because all is lost already? */
const hurtsByItself = ({ rule }: RuleInForce, here: SlotFacts): boolean =>
  hurts(rule) &&
  !isFalseUntouched(rule.when, here) &&
  !neededIn(rule.when).some(({ leaf }) => BY_TOUCH.has(leaf.reading.reading));

/** May anything hurt who stays at the start for some seconds? Read off the document: where it is said that nothing may, nothing does. */
export function mayBeHurt(here: SlotFacts, seconds: number): boolean {
  const { level, rules, number } = here;
  const { limitSeconds } = level.clock;
  if (sectionsOf(level.ground).length > 0 || isWaterNearStart(level)) return true;
  if (limitSeconds !== null && number(limitSeconds) <= seconds) return true;
  return (
    level.ground.pieces.some((piece) => mayComeOf(piece, here, seconds)) ||
    rules.some((entry) => hurtsByItself(entry, here))
  );
}
