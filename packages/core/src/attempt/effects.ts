import { liveRampAt, READINGS, shareOf, type LiveAmount, type LiveRamp, type ResolvedEffect } from '../rules/index.ts';
import { putDown } from './contacts.ts';
import { setGate } from './gates.ts';
import { countEnemies } from './observed.ts';
import { placeOfReturn, type AttemptState, type Collectable, type Followed } from './state.ts';

type Milestone = Exclude<ResolvedEffect, { effect: 'win' | 'lose' }>;
/** @param rule index of the rule @param at index of the effect in it */
type Apply<E> = (state: AttemptState, effect: E, rule: number, at: number) => void;

/** Sets a part of the attempt back to how it was at its start. */
const RESETS: Readonly<Record<string, (state: AttemptState) => void>> = {
  gathered: (state) => {
    const { observed, collectables } = state;
    observed.worth.fill(0);
    observed.collected.fill(0);
    observed.left.fill(0);
    state.remainingCount = 0;
    collectables.forEach((piece, index) => {
      piece.gathered = false;
      if (piece.hidden) return;
      putDown(state, index);
    });
  },
  score: (state) => {
    state.observed.bonus = 0;
  },
  health: (state) => {
    state.observed.health = state.world.level.motion.player.health;
  },
  clock: (state) => {
    state.observed.clockTicks = 0;
    state.warned = false;
  },
  latches: (state) => {
    state.observed.latches.fill(0);
    state.world.level.motion.gates.forEach((gate, index) => setGate(state, index, gate.open));
  },
};

const follow = (live: LiveAmount, dials: readonly number[]): number => {
  const value = (dials[live.dial] as number) * live.times + live.plus;
  return live.of === undefined ? value : shareOf(value, live.of);
};

/** Everything that follows a changed parameter takes its new value. */
function turnDials(state: AttemptState): void {
  const { dials, world, verdicts, observed } = state;
  const { motion, judging } = world.level;
  if (motion.player.liveSpeed) state.speed = Math.min(25, Math.max(0.1, follow(motion.player.liveSpeed, dials)));
  for (const enemy of state.enemies) {
    if (enemy.source.liveSpeed && enemy.movement !== 'still')
      enemy.speed = Math.min(25, Math.max(0, follow(enemy.source.liveSpeed, dials)));
  }
  for (const node of world.judge.nodes)
    if (node.is === 'compare' && node.live) verdicts.amounts[node.index] = follow(node.live, dials);
  if (judging.liveLimit) observed.limitTicks = Math.max(0, Math.round(follow(judging.liveLimit, dials) * 60));
}

/** Ramps along readings take the value that their reading has come to. */
export function followReadings(state: AttemptState): void {
  const { followed, world, observed, dials } = state;
  const ramps = world.level.motion.liveRamps ?? [];
  let turned = false;
  for (let i = 0; i < followed.length; i++) {
    const mine = followed[i] as Followed;
    const ramp = ramps[i] as LiveRamp;
    const { collected } = observed;
    // Of all kinds together for what is counted by kind.
    const reading = READINGS[ramp.axis].read(observed, ramp.axis === 'collected' ? collected.length - 1 : 0);
    if (reading === mine.reading) continue;
    mine.reading = reading;
    const value = liveRampAt(ramp, reading) * mine.times + mine.plus;
    if (value === dials[ramp.dial]) continue;
    dials[ramp.dial] = value;
    turned = true;
  }
  if (turned) turnDials(state);
}

/** A milestone's change of a live ramp stays for the rest of the attempt, wherever its reading goes. */
function turnFollowed(state: AttemptState, { dial, change, by }: Extract<Milestone, { effect: 'parameter' }>): void {
  (state.world.level.motion.liveRamps ?? []).forEach((ramp, index) => {
    if (ramp.dial !== dial) return;
    const mine = state.followed[index] as Followed;
    if (change !== 'plus') mine.times = change === 'times' ? mine.times * by : 0;
    mine.plus = change === 'times' ? mine.plus * by : change === 'plus' ? mine.plus + by : by;
  });
}

const tell = (state: AttemptState, rule: number, effect: number): void =>
  void state.happenings.push({ tick: state.tick, what: 'milestone', rule, effect });

/** What each effect that does not end the attempt does to it. */
const EFFECTS: { [N in Milestone['effect']]: Apply<Extract<Milestone, { effect: N }>> } = {
  loseLife: (state, effect, rule) => {
    const { player, observed, world } = state;
    if (observed.lives === 0) return;
    observed.lives = Math.max(0, observed.lives - effect.lives);
    state.lastLifeRule = rule;
    state.happenings.push({ tick: state.tick, what: 'life lost', rule, x: player.x, y: player.y });
    state.graceTicks = world.level.motion.player.graceTicks;
    for (const part of effect.resets) RESETS[part]?.(state);
    for (const tally of effect.tallies) observed.tallies[tally] = world.level.judging.tallies[tally] as number;
    if (effect.back === 'stay') return;
    const place = placeOfReturn(state, effect.back);
    player.x = place.x;
    player.y = place.y;
    player.vx = 0;
    player.vy = 0;
  },
  gate: (state, effect) => setGate(state, effect.gate, effect.open),
  wave: (state, effect, rule) => {
    const spawner = state.spawners[effect.spawner];
    const source = state.world.level.motion.spawners[effect.spawner];
    if (!spawner || !source || spawner.started) return;
    spawner.started = true;
    spawner.dueTick = state.tick + source.firstAfterTicks;
    if (source.health > 0) countEnemies(state.observed, source.kind, source.howMany);
    state.happenings.push({ tick: state.tick, what: 'wave', spawner: effect.spawner, rule });
  },
  reveal: (state, effect) => {
    const piece = state.collectables[effect.collectable] as Collectable | undefined;
    if (!piece?.hidden) return;
    piece.hidden = false;
    putDown(state, effect.collectable);
    state.happenings.push({ tick: state.tick, what: 'revealed', kind: piece.kind, collectable: effect.collectable });
  },
  score: (state, effect, rule, at) => {
    state.observed.bonus += effect.add;
    tell(state, rule, at);
  },
  tally: (state, effect, rule, at) => {
    const { tallies } = state.observed;
    if (tallies[effect.tally] === undefined) return;
    tallies[effect.tally] = (tallies[effect.tally] as number) + effect.add;
    tell(state, rule, at);
  },
  heal: (state, effect, rule, at) => {
    const most = state.world.level.motion.player.health;
    state.observed.health = Math.max(0, Math.min(most, state.observed.health + effect.by));
    tell(state, rule, at);
  },
  hurt: (state, effect, rule, at) => {
    state.observed.health = Math.max(0, state.observed.health - effect.by);
    tell(state, rule, at);
  },
  parameter: (state, effect, rule, at) => {
    const { dials } = state;
    if (dials[effect.dial] === undefined) return;
    const now = dials[effect.dial] as number;
    dials[effect.dial] =
      effect.change === 'times' ? now * effect.by : effect.change === 'plus' ? now + effect.by : effect.by;
    turnFollowed(state, effect);
    turnDials(state);
    tell(state, rule, at);
  },
  message: (state, effect, rule, at) => {
    state.message.rule = rule;
    state.message.effect = at;
    state.message.untilTick = state.tick + Math.round(effect.seconds * 60);
    tell(state, rule, at);
  },
  cue: (state, effect, rule, at) => {
    if (effect.zone >= 0) state.cuedTick[effect.zone] = state.tick;
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
