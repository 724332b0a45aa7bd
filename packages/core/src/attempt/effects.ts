import type { ResolvedEffect } from '../rules/index.ts';
import type { AttemptState } from './state.ts';

type Milestone = Exclude<ResolvedEffect, { effect: 'win' | 'lose' }>;
type Apply<E> = (state: AttemptState, effect: E, rule: number) => void;

/** What each effect that does not end the attempt does to it. */
const EFFECTS: { [N in Milestone['effect']]: Apply<Extract<Milestone, { effect: N }>> } = {
  loseLife: (state, effect, rule) => {
    const { player, observed } = state;
    if (observed.lives === 0) return;
    observed.lives = Math.max(0, observed.lives - effect.lives);
    state.lastLifeRule = rule;
    state.happenings.push({ tick: state.tick, what: 'life lost', rule, x: player.x, y: player.y });
    state.graceTicks = state.world.level.motion.player.graceTicks;
    if (effect.back === 'stay') return;
    const { start } = state.world.level.motion;
    player.x = start.x;
    player.y = start.y;
    player.vx = 0;
    player.vy = 0;
  },
};

/** Carry out the milestones that are due, in the order written. */
export function applyMilestones(state: AttemptState): void {
  const { verdicts, world } = state;
  for (let i = 0; i < verdicts.dueCount; i++) {
    const rule = verdicts.due[i] as number;
    const effects = world.level.judging.rules[rule]?.then ?? [];
    for (const effect of effects) {
      if (effect.effect === 'win' || effect.effect === 'lose') continue;
      EFFECTS[effect.effect](state, effect, rule);
    }
  }
}
