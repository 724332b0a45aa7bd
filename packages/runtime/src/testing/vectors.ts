import { handOffOf, type HandOff } from '@stadion/core/exchange/formats';
import type { Project } from '@stadion/core/document/model';
import { openHandOff } from '../index.ts';
import { drawing, randomProject, type Draw } from './randomRules.ts';

/*
 * Conformance vectors: rules, readings over time, and what the judge says of them. By them a game in another language
 * checks a judge of its own.
 */

/** Events at a tick, from 1. */
export type Verdict =
  | { tick: number; fired: string }
  | { tick: number; warned: true }
  | { tick: number; ended: 'won' | 'lost'; by: string | null; stars: number; score: number };

export interface Vector {
  /** Parts of a slot that the judge needs. */
  slot: Pick<
    HandOff['slots'][string],
    'values' | 'changing' | 'lives' | 'score' | 'clock' | 'rules' | 'tie' | 'stars' | 'readings'
  > & { health: number };
  /** Tallies at the start. */
  tallies: Record<string, number>;
  /** Readings that the game shows, in turn: a number of ticks, with changed readings only. `move`: the player acts for the first time. */
  frames: { ticks: number; show: Record<string, number>; move?: true }[];
  verdicts: Verdict[];
}

const OWN = /^(score|lives|health|tries|timeLeft|timeElapsed|tally\.)/;

/** Readings that wander: counts that mostly rise, switches that go on and off. */
function frames(draw: Draw, readings: readonly string[]): Vector['frames'] {
  const shown = readings.filter((name) => !OWN.test(name));
  const values = new Map(shown.map((name) => [name, name.startsWith('left') ? 6 : 0]));
  return Array.from({ length: 12 }, (_, index) => {
    const show: Record<string, number> = {};
    for (const name of shown) {
      if (index > 0 && draw(3) > 0) continue;
      const now = values.get(name) ?? 0;
      const isSwitch = /^(inside|touching|latch|gate)/.test(name);
      const next = isSwitch ? draw(2) : name.startsWith('left') ? Math.max(0, now - draw(3)) : now + draw(8);
      if (index > 0 && next === now) continue;
      values.set(name, next);
      show[name] = next;
    }
    return { ticks: 1 + draw(18), show, ...(index === 1 ? { move: true as const } : {}) };
  });
}

/** A ramp along a reading needs the ramps themselves: a judge of another language takes their values from the hand-off's slots. */
function withoutLive(project: Project): Project {
  for (const parameter of project.parameters) delete parameter.ramp.axis;
  return project;
}

export function vectorOf(seed: number): Vector {
  const draw = drawing(seed);
  const handOff = JSON.parse(JSON.stringify(handOffOf(withoutLive(randomProject(draw))))) as HandOff;
  const whole = handOff.slots['slot-1']!;
  const judge = openHandOff(handOff).level(1).judge();
  const given = frames(draw, whole.readings);
  const verdicts: Verdict[] = [];
  let tick = 0;
  for (const { ticks, show, move } of given) {
    if (move) judge.firstMove();
    for (let i = 0; i < ticks; i++) {
      tick++;
      const { fired, warned, ended } = judge.tick(i === 0 ? show : {}, 1 / 60);
      if (warned) verdicts.push({ tick, warned });
      verdicts.push(...fired.map(({ rule }) => ({ tick, fired: rule })));
      if (!ended) continue;
      verdicts.push({ tick, ended: ended.result, by: ended.rule, stars: ended.stars, score: ended.score });
      return vector();
    }
  }
  return vector();
  function vector(): Vector {
    const { values, changing, lives, score, clock, rules, tie, stars, readings } = whole;
    const health = Number(whole.player['health']);
    const tallies = Object.fromEntries(Object.entries(handOff.tallies).map(([id, { start }]) => [id, start]));
    return {
      slot: { values, changing, lives, score, clock, rules, tie, stars, readings, health },
      tallies,
      frames: given,
      verdicts,
    };
  }
}
