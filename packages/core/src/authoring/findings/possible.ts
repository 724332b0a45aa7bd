import { sectionsOf } from '../../play/grid/index.ts';
import type { Amount, Condition, Reading } from '../../document/model/index.ts';
import { compare, liveAmount, readingDefinition, resolveAmount, type Leaf } from '../../play/rules/index.ts';
import { clockMayWin, winning } from './conditions.ts';
import { furthestWay, heightRange, rowRange, type Range } from './bodyLimits.ts';
import type { SlotFacts } from './scopes.ts';

const ANY: Range = { least: Number.NEGATIVE_INFINITY, most: Number.POSITIVE_INFINITY };

/** How many pieces of each kind lie where nobody can come to, or stay hidden from all. */
export function outOfReach({ level, reach }: Pick<SlotFacts, 'level' | 'reach'>): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const piece of level.ground.pieces)
    if (piece.piece === 'collectable' && !piece.hidden && !reach.touches(piece.at))
      counts.set(piece.kind, (counts.get(piece.kind) ?? 0) + 1);
  return counts;
}

/** How many pieces of a kind, or of all, can be gathered. */
function countOf(of: string, here: SlotFacts): number {
  const { placed } = here.resolving;
  const lost = outOfReach(here);
  const missing = of === 'any' ? [...lost.values()].reduce((sum, count) => sum + count, 0) : (lost.get(of) ?? 0);
  return Math.max(0, (placed.count[of] ?? 0) - missing);
}

/** Does the worth of any kind change during the attempt? */
const worthMoves = ({ project, resolving }: SlotFacts): boolean =>
  project.kinds.collectables.some(({ worth }) => liveAmount(worth, resolving) !== undefined);

/** Points of the pieces of a kind, or of all, that can be gathered: everything that pays, and everything that costs. */
function worthRange(of: string, here: SlotFacts): Range {
  const { placed } = here.resolving;
  const lost = outOfReach(here);
  const kinds = of === 'any' ? Object.keys(placed.worth).filter((kind) => kind !== 'any') : [of];
  const worths = kinds.map((kind) => {
    const count = placed.count[kind] ?? 0;
    return count === 0 ? 0 : ((placed.worth[kind] ?? 0) / count) * Math.max(0, count - (lost.get(kind) ?? 0));
  });
  const sum = (bound: (worth: number) => number): number => worths.reduce((total, worth) => total + bound(worth), 0);
  return { least: sum((worth) => Math.min(0, worth)), most: sum((worth) => Math.max(0, worth)) };
}

/** Returns the sure range of a reading at one slot; unlimited where nothing is sure. */
export function rangeOf(reading: Reading, here: SlotFacts): Range {
  const { project, level, resolving, number } = here;
  /** May it change during the attempt? */
  const isLive = (amount: Amount): boolean => liveAmount(amount, resolving) !== undefined;
  // Pieces on sections come as often as their section.
  const comesAgain = sectionsOf(level.ground).length > 0;
  switch (reading.reading) {
    case 'worth':
      return comesAgain || worthMoves(here) ? ANY : worthRange(reading.of, here);
    case 'collected':
      return { least: 0, most: comesAgain ? ANY.most : countOf(reading.of, here) };
    case 'left':
      return { least: 0, most: comesAgain ? ANY.most : (resolving.placed.count[reading.of] ?? 0) };
    case 'lives': {
      const { livesAtStart, livesAtMost, lifeEvery } = project.run;
      if (lifeEvery && !livesAtMost) return { least: 0, most: Number.POSITIVE_INFINITY };
      if (isLive(livesAtStart) || (livesAtMost && isLive(livesAtMost))) return { least: 0, most: ANY.most };
      return { least: 0, most: Math.max(number(livesAtStart), lifeEvery && livesAtMost ? number(livesAtMost) : 0) };
    }
    case 'health':
      return { least: 0, most: isLive(project.player.health) ? ANY.most : number(project.player.health) };
    case 'tries':
      return { least: 1, most: Number.POSITIVE_INFINITY };
    case 'timeElapsed':
    case 'timeLeft': {
      const { limitSeconds } = level.clock;
      // A limit that milestones or readings move can be any.
      if (limitSeconds === null || isLive(limitSeconds)) return { least: 0, most: ANY.most };
      return { least: 0, most: number(limitSeconds) };
    }
    case 'height':
      return heightRange(here);
    case 'row':
      return rowRange(here);
    case 'distance':
      return { least: 0, most: furthestWay(here) };
    case 'crossings':
    case 'sectionsPassed':
    case 'enemiesLeft':
    case 'enemiesBeaten':
      return { least: 0, most: ANY.most };
    case 'latch':
    case 'gate':
    case 'inside':
    case 'touching':
    case 'offGround':
    case 'touchingWall':
    case 'blocked':
    case 'onFloor':
      return { least: 0, most: 1 };
    case 'sideBeaten':
    case 'healthShare':
      return { least: 0, most: level.bout ? 1 : 0 };
    case 'fallen':
      return { least: 0, most: level.bout?.party.length ?? 0 };
    case 'rounds':
      return { least: 0, most: level.bout ? ANY.most : 0 };
    default:
      return ANY;
  }
}

type Area = Extract<SlotFacts['level']['ground']['pieces'][number], { piece: 'goal' | 'zone' }>;

/** May an on/off reading come to hold? Only what lies where nobody can come to surely never does. */
function switchMayHold({ reading, on }: Extract<Leaf, { is: 'onOff' }>, { level, reach }: SlotFacts): boolean {
  if (!on) return true;
  const { pieces } = level.ground;
  if (reading.reading === 'sideBeaten') return level.bout !== undefined;
  if (reading.reading === 'gate') return reach.opens.has(reading.gate);
  if (reading.reading === 'latch') {
    const latch = pieces.find(({ id }) => id === reading.latch);
    return !latch || reach.touches(latch.at);
  }
  if (reading.reading !== 'inside') return true;
  const zone = pieces.find((piece): piece is Area => piece.id === reading.zone && 'width' in piece);
  return !zone || reach.enters({ ...zone.at, width: zone.width, height: zone.height });
}

/** Returns the number of an amount at a slot; undefined where it may change during the attempt. */
export function sureNumber(amount: Amount, { resolving }: Pick<SlotFacts, 'resolving'>): number | undefined {
  return liveAmount(amount, resolving) ? undefined : resolveAmount(amount, resolving.values, resolving.placed);
}

/** Returns the range of a reading at a slot. */
type RangeOf = typeof rangeOf;

/** May a comparison come to hold? Only where it surely never does, it may not. */
function leafMayHold(leaf: Leaf, here: SlotFacts, range: RangeOf): boolean {
  if (leaf.is === 'onOff') return switchMayHold(leaf, here);
  const asked = sureNumber(leaf.amount, here);
  if (asked === undefined) return true;
  // “Inside … is at least 1” says the same as “inside …”.
  if (readingDefinition(leaf.reading).unit === 'on/off')
    return [true, false].some(
      (on) =>
        compare(leaf.comparison, on ? 1 : 0, asked) &&
        switchMayHold({ id: leaf.id, is: 'onOff', reading: leaf.reading, on }, here),
    );
  const { least, most } = range(leaf.reading, here);
  const NOISE = 1e-9;
  switch (leaf.comparison) {
    case 'atLeast':
      return asked <= most + NOISE;
    case 'moreThan':
      return asked < most;
    case 'atMost':
      return asked >= least - NOISE;
    case 'lessThan':
      return asked > least;
    case 'exactly':
      return asked >= least - NOISE && asked <= most + NOISE;
    case 'not':
      return least !== most || asked !== least;
  }
}

/** May a condition come to hold? @param range the range of each reading while it is looked at */
export function mayHold(condition: Condition, here: SlotFacts, range: RangeOf = rangeOf): boolean {
  switch (condition.is) {
    case 'all':
    case 'inOrder':
      return condition.of.every((part) => mayHold(part, here, range));
    case 'any':
      return condition.of.some((part) => mayHold(part, here, range));
    case 'atLeast': {
      const { resolving } = here;
      const wanted = condition.count ? resolveAmount(condition.count, resolving.values, resolving.placed) : 1;
      return condition.of.filter((part) => mayHold(part, here, range)).length >= wanted;
    }
    case 'none':
      return true;
    default:
      return leafMayHold(condition, here, range);
  }
}

/** A comparison that keeps a condition from ever holding, and its place below it. */
export interface Blocking {
  leaf: Leaf;
  path: (string | number)[];
}

/** Returns the comparisons to change so that a condition may hold; none where it may. Of several ways the first is returned. */
export function blockingIn(condition: Condition, here: SlotFacts, path: (string | number)[] = []): Blocking[] {
  if (mayHold(condition, here)) return [];
  if (!('of' in condition)) return [{ leaf: condition, path }];
  const parts = condition.of.map((part, index) => blockingIn(part, here, [...path, 'of', index]));
  return condition.is === 'any' ? (parts[0] ?? []) : parts.flat();
}

/** A comparison that keeps a way to win from ever holding. */
export interface BeyondReach {
  leaf: Extract<Leaf, { is: 'compare' }>;
  /** Where it stands in the document. */
  path: (string | number)[];
  asked: number;
  /** The most that its reading can come to. */
  most: number;
}

/** The comparisons that ask for more than their reading can come to, in a level that nobody can win. */
export function beyondReach(here: SlotFacts): BeyondReach[] {
  if (isWonOtherwise(here)) return [];
  return winning(here).flatMap(({ rule, path: rulePath }) =>
    blockingIn(rule.when, here).flatMap(({ leaf, path }): BeyondReach[] => {
      if (leaf.is !== 'compare' || readingDefinition(leaf.reading).unit === 'on/off') return [];
      const asked = here.number(leaf.amount);
      const { most } = rangeOf(leaf.reading, here);
      // Where too little is asked for, the target is not what is wrong.
      return asked < most ? [] : [{ leaf, path: [...rulePath, 'when', ...path], asked, most }];
    }),
  );
}

/** Can a level be won: by its clock that runs out, or by a rule that may fire? */
export const isWonOtherwise = (here: SlotFacts): boolean =>
  clockMayWin(here) || winning(here).some(({ rule }) => mayHold(rule.when, here));
