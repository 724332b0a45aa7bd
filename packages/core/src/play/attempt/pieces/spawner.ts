import { fits } from '../../grid/index.ts';
import type { Piece } from '../../../document/model/index.ts';
import { drawAt, mixFloat } from '../../../basics/random/index.ts';
import type { LiveAmount } from '../../rules/index.ts';
import { asItIs, following, ticksNow, ticksOf, within } from '../following.ts';
import type { PreparedLevel } from '../level.ts';
import { signFigures } from '../looks.ts';
import { ring } from '../mark.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { enemiesOf, type Enemy, type PreparedEnemy } from './enemies.ts';
import { addEnemy, countEnemies, prepareEnemy } from './enemy.ts';

interface PreparedSpawner extends PreparedEnemy {
  howMany: number;
  liveHowMany?: LiveAmount;
  firstAfterTicks: number;
  everyTicks: number;
  liveEverySeconds?: LiveAmount;
  /** Units. */
  safeDistance: number;
  /** Sends nothing before a milestone says so. */
  waits: boolean;
  /** Units; 0 to send at its place. */
  spreadWidth: number;
  spreadHeight: number;
}

interface Sending {
  sent: number;
  /** In all, as it is now. */
  howMany: number;
  /** When the next one is sent. */
  dueTick: number;
  /** Sends at all: at once, or once a milestone has said so. */
  started: boolean;
  /** Index of its first enemy among all. */
  firstEnemy: number;
}

/** Most enemies one spawner may send, whatever its ramp says: an attempt stays within its memory. */
const MOST_SENT = 60;
/** Radius of the drawn ring. Units. */
const SPAWNER_RADIUS = 0.45;
/** Number of places that are tried in a tick for one enemy. */
const PLACES_TRIED = 8;
/** Draws of places are numbered apart from those of the small offsets. */
const PLACE_DRAWS = 1000;

const isFarEnough = (state: AttemptState, source: PreparedSpawner, x: number, y: number): boolean => {
  const dx = state.body.x - x;
  const dy = state.body.y - y;
  return dx * dx + dy * dy >= source.safeDistance * source.safeDistance;
};

/** Puts one that is to be sent somewhere in the spawner's area, far enough from the player; false where no place was found. */
function findPlace(state: AttemptState, source: PreparedSpawner, enemy: Enemy): boolean {
  if (source.spreadWidth === 0) {
    if (!isFarEnough(state, source, source.x, source.y)) return false;
    // Sent ones leave a little apart, or they would all fly the same line.
    enemy.x += (drawAt(state.seed, enemy.index, 0) - 0.5) * 0.2;
    enemy.y += (drawAt(state.seed, enemy.index, 1) - 0.5) * 0.2;
    return true;
  }
  const { grid } = state.view;
  for (let i = 0; i < PLACES_TRIED; i++) {
    const counter = PLACE_DRAWS + (state.tick * PLACES_TRIED + i) * 2;
    const x = source.x + (drawAt(state.seed, enemy.index, counter) - 0.5) * source.spreadWidth;
    const y = source.y + (drawAt(state.seed, enemy.index, counter + 1) - 0.5) * source.spreadHeight;
    if (!fits(grid, x, y, enemy.radius) || !isFarEnough(state, source, x, y)) continue;
    enemy.x = x;
    enemy.y = y;
    enemy.homeX = x;
    enemy.homeY = y;
    enemy.aimX = x;
    enemy.aimY = y;
    return true;
  }
  return false;
}

/** The spawners of a level, in the order of the ground. */
export const spawnersOf = ({ motion }: PreparedLevel): readonly PreparedSpawner[] =>
  motion.pieces.spawner as readonly PreparedSpawner[];

const sendingOf = (state: AttemptState): Sending[] => state.pieces.spawner as Sending[];

/** Starts a spawner that has waited for it. */
export function sendWave(state: AttemptState, index: number): void {
  const sending = sendingOf(state)[index];
  const source = spawnersOf(state.world.level)[index];
  if (!sending || !source || sending.started) return;
  sending.started = true;
  sending.dueTick = state.tick + source.firstAfterTicks;
  if (source.health > 0) countEnemies(state.observed, source.kind, sending.howMany);
  state.happenings.push({ tick: state.tick, what: 'piece', piece: 'spawner', index, did: 'sends its wave' });
}

/** Sends enemies: by itself, or as a wave; it waits while the player is too near. */
export const spawner: PieceSort<Extract<Piece, { piece: 'spawner' }>, PreparedSpawner, Sending[]> = {
  name: 'spawner',
  subject: 'spawner',
  noun: 'spawner',
  prepare: (piece, preparing) => ({
    ...prepareEnemy(piece, [], preparing),
    howMany: Math.round(within(preparing.number(piece.howMany), 0, MOST_SENT)),
    ...following('liveHowMany', piece.howMany, preparing),
    ...following('liveEverySeconds', piece.everySeconds, preparing),
    firstAfterTicks: ticksOf(preparing, piece.firstAfterSeconds),
    everyTicks: Math.max(1, ticksOf(preparing, piece.everySeconds)),
    safeDistance: piece.safeDistance,
    waits: piece.starts === 'milestone',
    spreadWidth: piece.spread?.width ?? 0,
    spreadHeight: piece.spread?.height ?? 0,
  }),
  observe(spawners, seen) {
    for (const { health, waits, kind, howMany } of spawners)
      if (health > 0 && !waits) countEnemies(seen, kind, howMany);
  },
  start: (spawners, state) =>
    spawners.map((source) => {
      const enemies = enemiesOf(state);
      const firstEnemy = enemies.all.length;
      // One whose number may grow has room for as many as there may be.
      const room = source.liveHowMany ? MOST_SENT : source.howMany;
      for (let i = 0; i < room; i++) addEnemy(enemies, source, false, state.view);
      return { sent: 0, howMany: source.howMany, dueTick: source.firstAfterTicks, started: !source.waits, firstEnemy };
    }),
  tick(state) {
    const sources = spawnersOf(state.world.level);
    const all = sendingOf(state);
    for (let i = 0; i < sources.length; i++) {
      const source = sources[i] as PreparedSpawner;
      const sending = all[i] as Sending;
      if (!sending.started || sending.sent >= sending.howMany || state.tick < sending.dueTick) continue;
      const enemy = enemiesOf(state).all[sending.firstEnemy + sending.sent] as Enemy;
      if (!findPlace(state, source, enemy)) continue;
      enemy.active = true;
      sending.sent++;
      sending.dueTick = state.tick + ticksNow(source.everyTicks, source.liveEverySeconds, state.dials);
      state.happenings.push({ tick: state.tick, what: 'piece', piece: 'enemy', index: enemy.index, did: 'sent' });
    }
  },
  turn(state) {
    const sources = spawnersOf(state.world.level);
    sendingOf(state).forEach((sending, index) => {
      const source = sources[index] as PreparedSpawner;
      if (!source.liveHowMany) return;
      const wanted = Math.round(asItIs(sending.howMany, source.liveHowMany, state.dials, 0, MOST_SENT));
      // Enemies that were sent stay.
      const howMany = Math.max(sending.sent, wanted);
      if (source.health > 0 && sending.started) countEnemies(state.observed, source.kind, howMany - sending.howMany);
      sending.howMany = howMany;
    });
  },
  hurts: (spawners) => spawners.some(({ damage }) => damage > 0),
  scene: (spawners, _level, _now, looks) =>
    spawners.flatMap(({ x, y, spreadWidth }, index) => {
      const size = 2 * SPAWNER_RADIUS;
      const area = { x: x - SPAWNER_RADIUS, y: y - SPAWNER_RADIUS, width: size, height: size };
      const figures = [
        ...(spreadWidth === 0 ? [ring(x, y, SPAWNER_RADIUS, 'loss')] : []),
        ...signFigures(looks?.spawners?.[index], area),
      ];
      return figures.length === 0 ? [] : [{ key: `spawner-${index}`, figures }];
    }),
  hash: (state, hash) =>
    sendingOf(state).reduce((sum, { sent, dueTick, started, howMany }, index) => {
      const mixed = mixFloat(mixFloat(mixFloat(sum, sent), dueTick), started ? 1 : 0);
      return spawnersOf(state.world.level)[index]?.liveHowMany ? mixFloat(mixed, howMany) : mixed;
    }, hash),
};
