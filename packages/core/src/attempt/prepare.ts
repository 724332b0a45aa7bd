import type { Amount, EnemyKind, Level, Piece, PieceName, Place, Project } from '../model/index.ts';
import { nearestHeadingOf } from '../ground/index.ts';
import { valuesAt, type Values } from '../ramps/index.ts';
import {
  changedParameters,
  liveAmount,
  liveParameters,
  liveRampsOf,
  placedOn,
  resolveAmount,
  resolveCondition,
  resolveRules,
  resolveStars,
  rulesOf,
  secondsToTicks,
  subjectOf,
  subjectsOf,
  type Expiry,
  type LiveAmount,
  type LiveRamp,
  type ResolvedCondition,
  type ResolvedRule,
  type ResolvedStars,
  type Resolving,
} from '../rules/index.ts';
import type { ReadingName } from '../model/index.ts';

interface PreparedEnemy {
  kind: number;
  movement: EnemyKind['movement'];
  speed: number;
  liveSpeed?: LiveAmount;
  radius: number;
  sight: number;
  /** Health lost at each touch. */
  damage: number;
  /** 0 for one that cannot be beaten. */
  health: number;
  phases: number[];
  x: number;
  y: number;
  path: Place[];
}

interface PreparedSpawner extends PreparedEnemy {
  howMany: number;
  firstAfterTicks: number;
  everyTicks: number;
  safeDistance: number;
  waits: boolean;
  spreadWidth: number;
  spreadHeight: number;
}

interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** How the player or an emitter shoots. */
interface Shooting {
  everyTicks: number;
  speed: number;
  reach: number;
}

/**
 * A level at one slot with every number resolved: all that an attempt depends on, and nothing else. Plain data, so that
 * it can be sent to a worker and its text can be the key of what is computed from it. Names are left out on purpose:
 * renaming never makes a forecast stale.
 */
export interface PreparedLevel {
  /** What changes how things move. */
  motion: {
    rows: string[];
    player: {
      speed: number;
      liveSpeed?: LiveAmount;
      acceleration: number;
      radius: number;
      graceTicks: number;
      health: number;
      /** Ammunition -1 for without end. */
      shooting: (Shooting & { aimsAtNearest: boolean; damage: number; ammunition: number }) | null;
    };
    start: Place;
    checkpoints: Place[];
    collectables: { kind: number; worth: number; x: number; y: number; hidden: boolean }[];
    enemies: PreparedEnemy[];
    spawners: PreparedSpawner[];
    hazards: (Area & { kind: number })[];
    kindsOfHazard: { damage: number; perSecond: boolean }[];
    latches: { x: number; y: number; opens: number[] }[];
    gates: (Area & { open: boolean })[];
    /** Heading -1 aims at the player. */
    emitters: (Shooting & { kind: number; x: number; y: number; heading: number })[];
    kindsOfCollectable: number;
    kindsOfEnemy: number;
    /** Values of the parameters that change during the attempt. */
    dials: number[];
    /** Those of them that follow a reading; absent where none does. */
    liveRamps?: LiveRamp[];
  };
  /** What only changes how the motion is judged. */
  judging: {
    /** Goals and zones. */
    zones: (Area & { goal: boolean })[];
    rules: ResolvedRule[];
    tie: 'win' | 'loss';
    /** -1 for no limit. */
    limitTicks: number;
    liveLimit?: LiveAmount;
    warnAtTicks: number;
    clockStarts: 'load' | 'firstMove' | 'condition';
    clockStart: ResolvedCondition | null;
    atExpiry: Expiry;
    lives: number;
    stars: ResolvedStars;
    score: { reading: ReadingName; subject: number; times: number }[];
    /** Values at the start. */
    tallies: number[];
  };
}

/** Most enemies one spawner may send, whatever its ramp says: an attempt stays within its memory. */
const MOST_FROM_A_SPAWNER = 60;

const within = (value: number, low: number, high: number): number =>
  Number.isFinite(value) ? Math.min(high, Math.max(low, value)) : low;

/** Resolve the level that stands at a position. @param position from 1 @throws RangeError where the sequence has no such position */
export function prepareLevel(project: Project, position: number): PreparedLevel {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!level) throw new RangeError(`The sequence has no position ${position}.`);
  return prepareWith(project, level, resolvingAt(project, level, position));
}

/** Resolve a level of which it is known already what its names and parameters stand for. */
export const prepareWith = (project: Project, level: Level, resolving: Resolving): PreparedLevel => ({
  motion: motionOf(project, level, resolving),
  judging: judgingOf(project, level, resolving),
});

/** What resolving a level's rules at a position needs to know. @param given values of all parameters, where they are not the ramps' own */
export function resolvingAt(project: Project, level: Level, position: number, given?: Values): Resolving {
  const values = given ?? valuesAt(project, position);
  const changed = changedParameters(rulesOf(project, level).map(({ rule }) => rule));
  const live = liveParameters(project, project.slots[position - 1]?.id);
  const dials = new Map([...new Set([...changed, ...live])].map((key, index) => [key, index]));
  return {
    values,
    placed: placedOn(project, level, values),
    subjects: subjectsOf(project, level),
    dials,
    liveRamps: liveRampsOf(project, position, values, dials),
  };
}

type Of<N extends PieceName> = Extract<Piece, { piece: N }>;

function motionOf(project: Project, level: Level, resolving: Resolving): PreparedLevel['motion'] {
  const { values, placed, subjects, dials } = resolving;
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const { collectables, enemies, hazards } = project.kinds;
  const { pieces } = level.ground;
  const sorted = new Map<PieceName, Piece[]>();
  for (const piece of pieces) {
    const list = sorted.get(piece.piece);
    if (list) list.push(piece);
    else sorted.set(piece.piece, [piece]);
  }
  const only = <N extends PieceName>(name: N): Of<N>[] => (sorted.get(name) ?? []) as Of<N>[];
  const area = ({ at, width, height }: { at: Place; width: number; height: number }): Area => ({
    x: at.x,
    y: at.y,
    width,
    height,
  });
  const following = (amount: Amount): { liveSpeed?: LiveAmount } => {
    const live = liveAmount(amount, resolving);
    return live ? { liveSpeed: live } : {};
  };
  const hazardIndex = (id: string): number => (subjects.toucher.get(id) as number) - enemies.length;

  const enemy = (kindId: string, at: Place, path: Place[]): PreparedEnemy => {
    const kind = subjects.enemy.get(kindId) as number;
    const definition = enemies[kind] as EnemyKind;
    return {
      kind,
      movement: definition.movement,
      speed: definition.movement === 'still' ? 0 : within(number(definition.speed), 0, 25),
      ...following(definition.speed),
      radius: definition.radius,
      sight: definition.movement === 'chase' ? within(number(definition.sight), 0, 100) : 0,
      damage: definition.damage ? within(number(definition.damage), 0, 1e6) : 0,
      health: definition.health ? within(number(definition.health), 0.001, 1e6) : 0,
      phases: definition.phases ?? [],
      x: at.x,
      y: at.y,
      path,
    };
  };
  const ticks = (amount: Amount): number => secondsToTicks(within(number(amount), 0, 3600));
  const shooting = (source: { everySeconds: Amount; speed: Amount; reach: Amount }): Shooting => ({
    everyTicks: Math.max(1, ticks(source.everySeconds)),
    speed: within(number(source.speed), 0.1, 25),
    reach: within(number(source.reach), 0.1, 100),
  });

  const { player } = project;
  const [start] = only('start');
  return {
    rows: level.ground.rows,
    player: {
      speed: within(number(player.speed), 0.1, 25),
      ...following(player.speed),
      acceleration: within(number(player.acceleration), 0.1, 1000),
      radius: player.radius,
      graceTicks: secondsToTicks(player.graceSeconds),
      health: within(number(player.health), 0, 1e6),
      shooting: player.shooting && {
        ...shooting(player.shooting),
        aimsAtNearest: player.shooting.aim === 'nearest',
        damage: within(number(player.shooting.damage), 0, 1e6),
        ammunition:
          player.shooting.ammunition === null ? -1 : Math.round(within(number(player.shooting.ammunition), 0, 1e6)),
      },
    },
    start: (start as Of<'start'>).at,
    checkpoints: only('checkpoint').map((piece) => piece.at),
    collectables: only('collectable').map((piece) => {
      const kind = subjects.collectable.get(piece.kind) as number;
      const worth = collectables[kind]?.worth;
      return { kind, worth: worth ? number(worth) : 0, x: piece.at.x, y: piece.at.y, hidden: piece.hidden === true };
    }),
    enemies: only('enemy').map((piece) => enemy(piece.kind, piece.at, piece.path ?? [])),
    spawners: only('spawner').map((piece) => ({
      ...enemy(piece.kind, piece.at, []),
      howMany: Math.round(within(number(piece.howMany), 0, MOST_FROM_A_SPAWNER)),
      firstAfterTicks: ticks(piece.firstAfterSeconds),
      everyTicks: Math.max(1, ticks(piece.everySeconds)),
      safeDistance: piece.safeDistance,
      waits: piece.starts === 'milestone',
      spreadWidth: piece.spread?.width ?? 0,
      spreadHeight: piece.spread?.height ?? 0,
    })),
    hazards: only('hazard').map((piece) => ({ ...area(piece), kind: hazardIndex(piece.kind) })),
    kindsOfHazard: hazards.map((kind) => ({
      damage: within(number(kind.damage), 0, 1e6),
      perSecond: kind.acts === 'perSecond',
    })),
    latches: only('latch').map((piece) => ({
      x: piece.at.x,
      y: piece.at.y,
      opens: piece.opens.map((gate) => subjects.gate.get(gate) as number),
    })),
    gates: only('gate').map((piece) => ({ ...area(piece), open: piece.open })),
    emitters: only('emitter').map((piece) => ({
      ...shooting(piece),
      kind: hazardIndex(piece.kind),
      x: piece.at.x,
      y: piece.at.y,
      heading: piece.aim === 'player' ? -1 : nearestHeadingOf(piece.aim),
    })),
    kindsOfCollectable: collectables.length,
    kindsOfEnemy: enemies.length,
    dials: [...dials.keys()].map((key) => values[key] ?? 0),
    ...(resolving.liveRamps.length > 0 ? { liveRamps: resolving.liveRamps } : {}),
  };
}

function judgingOf(project: Project, level: Level, resolving: Resolving): PreparedLevel['judging'] {
  const { values, placed, subjects } = resolving;
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const { clock } = level;
  const liveLimit = clock.limitSeconds && liveAmount(clock.limitSeconds, resolving);
  return {
    zones: level.ground.pieces.flatMap((piece) =>
      piece.piece === 'goal' || piece.piece === 'zone'
        ? [{ x: piece.at.x, y: piece.at.y, width: piece.width, height: piece.height, goal: piece.piece === 'goal' }]
        : [],
    ),
    rules: resolveRules(
      rulesOf(project, level).map(({ rule }) => rule),
      resolving,
    ),
    tie: level.tie,
    limitTicks: clock.limitSeconds === null ? -1 : secondsToTicks(number(clock.limitSeconds)),
    ...(liveLimit ? { liveLimit } : {}),
    warnAtTicks: clock.warnAtSeconds === null ? 0 : secondsToTicks(number(clock.warnAtSeconds)),
    clockStarts: clock.starts,
    clockStart: clock.starts === 'condition' && clock.startsWhen ? resolveCondition(clock.startsWhen, resolving) : null,
    atExpiry: clock.atExpiry === 'win' ? 'won' : clock.atExpiry === 'lose' ? 'lost' : 'grade',
    lives: Math.max(0, Math.round(number(project.run.livesAtStart))),
    stars: resolveStars(level.stars, resolving),
    score: project.score.map((part) => ({
      reading: part.reading.reading,
      subject: subjectOf(part.reading, subjects),
      times: number(part.times),
    })),
    tallies: project.tallies.map((tally) => tally.start),
  };
}
