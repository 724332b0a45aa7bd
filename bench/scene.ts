import {
  bySort,
  preparedEnemies,
  startAttempt,
  startPlace,
  step,
  type PreparedLevel,
  type World,
} from '@stadion/core/play/attempt';
import { makeWorld } from '@stadion/core/play/movement';
import { usualPacers } from '@stadion/core/document/model';
import { drawPlayer, makePlayer, playerInput } from '@stadion/core/forecast/pacers';
import Matter from 'matter-js';

const WIDTH = 24;
const HEIGHT = 16;
const MOVERS = 20;

/** A 24 × 16 roam ground with 20 chasers and 20 things to gather. */
export function benchLevel(): PreparedLevel {
  const rows = Array.from({ length: HEIGHT }, (_, y) =>
    Array.from({ length: WIDTH }, (_, x) => {
      const edge = x === 0 || y === 0 || x === WIDTH - 1 || y === HEIGHT - 1;
      const block = x % 6 === 4 && y % 5 > 1;
      return edge || block ? '#' : '.';
    }).join(''),
  );
  const spot = (i: number, of: number): { x: number; y: number } => ({
    x: 1.5 + ((i * 7) % 21),
    y: 1.5 + Math.floor((i * 13) / of),
  });
  const open = (place: { x: number; y: number }): { x: number; y: number } =>
    rows[Math.floor(place.y)]?.[Math.floor(place.x)] === '#' ? { ...place, x: place.x + 1 } : place;
  const pieces: PreparedLevel['motion']['pieces'] = {
    ...bySort(() => []),
    start: [{ x: 2.5, y: 2.5 }],
    zone: [{ x: 20, y: 12, width: 2, height: 2, goal: true }],
    collectable: Array.from({ length: 20 }, (_, i) => ({ kind: 0, worth: 5, hidden: false, ...open(spot(i, 20)) })),
    enemy: Array.from({ length: MOVERS }, (_, i) => ({
      kind: 0,
      movement: 'chase' as const,
      speed: 1.6,
      radius: 0.3,
      sight: 6,
      damage: 0,
      health: 0,
      phases: [],
      path: [],
      ...open(spot(i + 3, 20)),
    })),
  };
  return {
    kind: 'roam',
    motion: {
      rows,
      player: { radius: 0.3, graceTicks: 60, health: 100, shooting: null },
      body: { speed: 4.6, acceleration: 26, live: {} } as PreparedLevel['motion']['body'],
      pieces,
      kindsOfHazard: [],
      dials: [],
      kindsOfCollectable: 1,
      kindsOfEnemy: 1,
    },
    judging: {
      rules: [
        {
          id: 'won',
          when: {
            id: 'all',
            is: 'all',
            of: [
              {
                id: 'a',
                is: 'compare',
                reading: 'worth',
                subject: 1,
                comparison: 'atLeast',
                amount: 1000,
                heldTicks: 0,
              },
              { id: 'b', is: 'onOff', reading: 'inside', subject: 0, on: true, heldTicks: 30 },
            ],
          },
          then: [{ effect: 'win' }],
          fires: 'once',
        },
        {
          id: 'touch',
          when: { id: 't', is: 'onOff', reading: 'touching', subject: 0, on: true, heldTicks: 0 },
          then: [{ effect: 'loseLife', lives: 0, back: 'start', resets: [], tallies: [] }],
          fires: 'eachTime',
        },
      ],
      tie: 'win',
      limitTicks: 1800,
      warnAtTicks: 600,
      clockStarts: 'load',
      clockStart: null,
      score: [],
      tallies: [],
      atExpiry: 'lost',
      lives: 1,
      stars: { is: 'ladder', reading: 'timeLeft', subject: 0, atMost: false, thresholds: [null] },
    },
  };
}

/** Whole attempts of 30 s, planned by a pacer and judged every tick. @returns simulated seconds */
export function playOurs(world: World, attempts: number, firstSeed: number): number {
  const pacer = usualPacers()[1]!;
  let ticks = 0;
  for (let i = 0; i < attempts; i++) {
    const state = startAttempt(world, firstSeed + i);
    const player = makePlayer(state, drawPlayer(pacer, firstSeed + i), firstSeed + i);
    while (state.phase === 'playing') step(state, playerInput(player, state));
    ticks += state.tick;
  }
  return ticks / 60;
}

/**
 * The same scene in a general-purpose physics package: the same walls, 20 chasers pushed towards the player, the same
 * things to gather, the player pushed towards the nearest. No planning and no judge, which only helps it.
 */
export function playMatter(attempts: number): number {
  const level = benchLevel();
  const start = startPlace(level);
  let seconds = 0;
  for (let attempt = 0; attempt < attempts; attempt++) {
    const engine = Matter.Engine.create({ gravity: { x: 0, y: 0 } });
    const unit = 20;
    const bodies: Matter.Body[] = [];
    level.motion.rows.forEach((row, y) =>
      [...row].forEach((cell, x) => {
        if (cell === '#')
          bodies.push(Matter.Bodies.rectangle((x + 0.5) * unit, (y + 0.5) * unit, unit, unit, { isStatic: true }));
      }),
    );
    const player = Matter.Bodies.circle(start.x * unit, start.y * unit, 0.3 * unit, {
      frictionAir: 0.1,
    });
    const enemies = preparedEnemies(level).map((enemy) =>
      Matter.Bodies.circle(enemy.x * unit, enemy.y * unit, enemy.radius * unit, { frictionAir: 0.1 }),
    );
    const pieces = (level.motion.pieces.collectable as { x: number; y: number }[]).map((piece) =>
      Matter.Bodies.circle(piece.x * unit, piece.y * unit, 0.2 * unit, { isSensor: true, isStatic: true }),
    );
    Matter.Composite.add(engine.world, [...bodies, player, ...enemies, ...pieces]);
    let target = 0;
    for (let tick = 0; tick < 1800; tick++) {
      const towards = (body: Matter.Body, to: Matter.Vector, speed: number): void => {
        const dx = to.x - body.position.x;
        const dy = to.y - body.position.y;
        const distance = Math.sqrt(dx * dx + dy * dy) || 1;
        Matter.Body.setVelocity(body, { x: (dx / distance) * speed, y: (dy / distance) * speed });
      };
      for (const enemy of enemies) towards(enemy, player.position, (1.6 * unit) / 60);
      const piece = pieces[target % pieces.length]!;
      towards(player, piece.position, (4.6 * unit) / 60);
      if (Matter.Collision.collides(player, piece)) target++;
      Matter.Engine.update(engine, 1000 / 60);
    }
    seconds += 30;
  }
  return seconds;
}

export const benchWorld = (): World => makeWorld(benchLevel());
