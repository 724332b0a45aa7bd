import { startAttempt, step, type PreparedLevel, type World } from '../../play/attempt/index.ts';
import { makeWorld } from '../../play/movement/index.ts';
import { cellAt } from '../../play/grid/index.ts';
import { drawPlayer, makePlayer, PERFECT, playerInput, type Population } from '../pacers/index.ts';
import type { Abilities } from '../../basics/abilities/index.ts';
import { ticksToSeconds } from '../../play/rules/index.ts';
import { groundGame } from './groundGame.ts';
import { seedOf } from './batch.ts';

/** A way that a player went, and how long it took. */
export interface Way {
  /** x, y, x, y … of the player, ten times a second. Units. */
  points: number[];
  seconds: number;
}

/** Ticks between two points of a way. */
const EVERY_TICKS = 6;

/** Where the players of a level pass, as far as attempts have been played. */
export class Ways {
  readonly #world: World;
  readonly #passes: Float64Array;
  readonly #seen: Int32Array;
  #played = 0;
  #fastest: Way | null = null;

  constructor(level: PreparedLevel) {
    this.#world = makeWorld(level);
    this.#passes = new Float64Array(this.#world.grid.walls.length);
    this.#seen = new Int32Array(this.#world.grid.walls.length).fill(-1);
  }

  /** Lets a pacer's players play some more. */
  play(population: Population, count: number): void {
    for (let i = 0; i < count; i++) {
      const seed = seedOf(this.#played);
      this.#attempt(drawPlayer(population, seed), seed, (cell) => {
        if (this.#seen[cell] === this.#played) return;
        this.#seen[cell] = this.#played;
        this.#passes[cell] = (this.#passes[cell] as number) + 1;
      });
      this.#played++;
    }
  }

  /** Lets a player without faults try for the fastest win. @param attempt counted from 0, one seed each */
  tryFastest(attempt: number): void {
    const points: number[] = [];
    const { won, ticks } = this.#attempt(PERFECT, seedOf(attempt), (_cell, x, y, tick) => {
      if (tick % EVERY_TICKS === 0) points.push(x, y);
    });
    const seconds = ticksToSeconds(ticks);
    if (won && (this.#fastest === null || seconds < this.#fastest.seconds)) this.#fastest = { points, seconds };
  }

  /** Share of the attempts that passed each cell, 0–1. */
  get passes(): number[] {
    return Array.from(this.#passes, (count) => (this.#played === 0 ? 0 : count / this.#played));
  }

  get played(): number {
    return this.#played;
  }

  /** The fastest win until now; null where there was none. */
  get fastest(): Way | null {
    return this.#fastest;
  }

  #attempt(
    who: Abilities,
    seed: number,
    at: (cell: number, x: number, y: number, tick: number) => void,
  ): { won: boolean; ticks: number } {
    const state = startAttempt(this.#world, seed);
    const player = makePlayer(state, who, seed);
    while (!groundGame.isOver(state)) {
      at(cellAt(this.#world.grid, state.body.x, state.body.y), state.body.x, state.body.y, state.tick);
      step(state, playerInput(player, state));
    }
    at(cellAt(this.#world.grid, state.body.x, state.body.y), state.body.x, state.body.y, 0);
    return { won: state.phase === 'won', ticks: state.tick };
  }
}
