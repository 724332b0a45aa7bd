import { count, secondsToTicks, takeLives, type Counting, type ResolvedEffect } from '../rules/index.ts';
import { asItIs, MOST } from './following.ts';
import { changeParameter } from './dials.ts';
import { placeOfReturn } from './pieces/checkpoint.ts';
import { reveal } from './pieces/collectable.ts';
import { makeRoom, setGate } from './pieces/gate.ts';
import { SORTS } from './pieces/index.ts';
import { sendWave } from './pieces/spawner.ts';
import { cuedTicksOf } from './pieces/zone.ts';
import type { AttemptState } from './types.ts';

type Milestone = Exclude<ResolvedEffect, { effect: 'win' | 'lose' }>;

/** The player's health at most, as it now is. */
const fullHealth = ({ world, dials }: AttemptState): number =>
  asItIs(world.level.motion.player.health, world.level.motion.player.liveHealth, dials, 0, MOST);

/** @param rule index of the rule @param at index of the effect in it */
type Apply<E> = (state: AttemptState, effect: E, rule: number, at: number) => void;
type Reset = (state: AttemptState) => void;

/** Sets a part of the attempt back to how it was at its start. */
const RESETS: Readonly<Record<string, Reset>> = {
  score: (state) => {
    state.observed.bonus = 0;
  },
  health: (state) => {
    state.observed.health = fullHealth(state);
  },
  clock: (state) => {
    state.observed.clockTicks = 0;
    state.clock.warned = false;
  },
};

function reset(state: AttemptState, part: string): void {
  RESETS[part]?.(state);
  for (const sort of SORTS) sort.resets?.[part]?.(state);
}

const tell = (state: AttemptState, rule: number, effect: number): void =>
  void state.happenings.push({ tick: state.tick, what: 'milestone', rule, effect });

function putBack(state: AttemptState, to: 'start' | 'checkpoint'): void {
  state.world.kind.putBack(state, state.own, placeOfReturn(state, to));
  makeRoom(state);
}

/** Carries out an effect on what is counted. */
function tallied(state: AttemptState, effect: Counting, rule: number, at: number): void {
  if (count(state.observed, effect, fullHealth(state))) tell(state, rule, at);
}

/** The action of each effect that does not end the attempt. */
const EFFECTS: { [N in Milestone['effect']]: Apply<Extract<Milestone, { effect: N }>> } = {
  loseLife: (state, effect, rule) => {
    const { body, observed, world } = state;
    if (!takeLives(observed, effect.lives)) return;
    state.lastLifeRule = rule;
    state.happenings.push({ tick: state.tick, what: 'life lost', rule, x: body.x, y: body.y });
    state.graceTicks = world.level.motion.player.graceTicks;
    for (const part of effect.resets) reset(state, part);
    for (const tally of effect.tallies) observed.tallies[tally] = world.level.judging.tallies[tally] as number;
    if (effect.back !== 'stay') putBack(state, effect.back);
  },
  back: (state, effect, rule, at) => {
    putBack(state, effect.to);
    tell(state, rule, at);
  },
  gate: (state, effect) => setGate(state, effect.gate, effect.open),
  wave: (state, effect) => sendWave(state, effect.spawner),
  reveal: (state, effect) => reveal(state, effect.collectable),
  score: tallied,
  tally: tallied,
  heal: tallied,
  hurt: tallied,
  parameter: (state, effect, rule, at) => {
    if (state.dials[effect.dial] === undefined) return;
    changeParameter(state, effect);
    tell(state, rule, at);
  },
  message: (state, effect, rule, at) => {
    state.message.rule = rule;
    state.message.effect = at;
    state.message.untilTick = state.tick + secondsToTicks(effect.seconds);
    tell(state, rule, at);
  },
  cue: (state, effect, rule, at) => {
    if (effect.zone >= 0) cuedTicksOf(state)[effect.zone] = state.tick;
    tell(state, rule, at);
  },
};

/** Carry out the milestones that are due, in the order written. */
export function applyMilestones(state: AttemptState): void {
  const { verdicts, world } = state;
  for (let i = 0; i < verdicts.dueCount; i++) {
    const rule = verdicts.due[i] as number;
    const effects = world.level.judging.rules[rule]?.then ?? [];
    effects.forEach((effect, at) => {
      if (effect.effect === 'win' || effect.effect === 'lose') return;
      const apply = EFFECTS[effect.effect] as Apply<typeof effect>;
      apply(state, effect, rule, at);
    });
  }
}
