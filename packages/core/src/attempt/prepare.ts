import type { Amount, EnemyKind, Level, Place, Project } from '../model/index.ts';
import { valuesAt } from '../ramps/index.ts';
import {
  placedOn,
  resolveAmount,
  resolveRules,
  secondsToTicks,
  type ResolvedRule,
  type Subjects,
} from '../rules/index.ts';

interface PreparedEnemy {
  kind: number;
  movement: EnemyKind['movement'];
  speed: number;
  radius: number;
  sight: number;
  x: number;
  y: number;
  path: Place[];
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
    player: { speed: number; acceleration: number; radius: number; graceTicks: number };
    start: Place;
    collectables: { kind: number; worth: number; x: number; y: number }[];
    enemies: PreparedEnemy[];
    spawners: (PreparedEnemy & {
      howMany: number;
      firstAfterTicks: number;
      everyTicks: number;
      safeDistance: number;
    })[];
    kindsOfCollectable: number;
    kindsOfEnemy: number;
  };
  /** What only changes how the motion is judged. */
  judging: {
    goals: { x: number; y: number; width: number; height: number }[];
    rules: ResolvedRule[];
    tie: 'win' | 'loss';
    /** -1 for no limit. */
    limitTicks: number;
    warnAtTicks: number;
    clockStarts: 'load' | 'firstMove';
    atExpiry: 'won' | 'lost';
    lives: number;
    stars: (number | null)[];
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
  return prepare(project, level, position);
}

function prepare(project: Project, level: Level, position: number): PreparedLevel {
  const values = valuesAt(project, position);
  const placed = placedOn(project, level, values);
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const { collectables, enemies } = project.kinds;
  const index = (list: readonly { id: string }[]): Map<string, number> =>
    new Map(list.map((entry, i) => [entry.id, i]));
  const goals = level.ground.pieces.filter((piece) => piece.piece === 'goal');
  const subjects: Subjects = {
    collectable: index(collectables).set('any', collectables.length),
    enemy: index(enemies),
    goal: index(goals),
  };

  const enemy = (kindId: string, at: Place, path: Place[]): PreparedEnemy => {
    const kind = subjects.enemy.get(kindId) as number;
    const definition = enemies[kind] as EnemyKind;
    return {
      kind,
      movement: definition.movement,
      speed: within(number(definition.speed), 0, 25),
      radius: definition.radius,
      sight: definition.movement === 'chase' ? within(number(definition.sight), 0, 100) : 0,
      x: at.x,
      y: at.y,
      path,
    };
  };

  const { pieces } = level.ground;
  const start = pieces.find((piece) => piece.piece === 'start') as { at: Place };
  return {
    motion: {
      rows: level.ground.rows,
      player: {
        speed: within(number(project.player.speed), 0.1, 25),
        acceleration: within(number(project.player.acceleration), 0.1, 1000),
        radius: project.player.radius,
        graceTicks: secondsToTicks(project.player.graceSeconds),
      },
      start: start.at,
      collectables: pieces.flatMap((piece) => {
        if (piece.piece !== 'collectable') return [];
        const kind = subjects.collectable.get(piece.kind) as number;
        const worth = collectables[kind]?.worth;
        return [{ kind, worth: worth ? number(worth) : 0, x: piece.at.x, y: piece.at.y }];
      }),
      enemies: pieces.flatMap((piece) =>
        piece.piece === 'enemy' ? [enemy(piece.kind, piece.at, piece.path ?? [])] : [],
      ),
      spawners: pieces.flatMap((piece) =>
        piece.piece === 'spawner'
          ? [
              {
                ...enemy(piece.kind, piece.at, []),
                howMany: Math.round(within(number(piece.howMany), 0, MOST_FROM_A_SPAWNER)),
                firstAfterTicks: secondsToTicks(within(number(piece.firstAfterSeconds), 0, 3600)),
                everyTicks: Math.max(1, secondsToTicks(within(number(piece.everySeconds), 0, 3600))),
                safeDistance: piece.safeDistance,
              },
            ]
          : [],
      ),
      kindsOfCollectable: collectables.length,
      kindsOfEnemy: enemies.length,
    },
    judging: {
      goals: goals.map((goal) => ({ x: goal.at.x, y: goal.at.y, width: goal.width, height: goal.height })),
      rules: resolveRules(level.rules, values, placed, subjects),
      tie: level.tie,
      limitTicks: level.clock.limitSeconds === null ? -1 : secondsToTicks(number(level.clock.limitSeconds)),
      warnAtTicks: level.clock.warnAtSeconds === null ? 0 : secondsToTicks(number(level.clock.warnAtSeconds)),
      clockStarts: level.clock.starts,
      atExpiry: level.clock.atExpiry === 'win' ? 'won' : 'lost',
      lives: Math.max(0, Math.round(number(project.run.livesAtStart))),
      stars: level.stars.thresholds.map((threshold) => (threshold === null ? null : number(threshold))),
    },
  };
}
