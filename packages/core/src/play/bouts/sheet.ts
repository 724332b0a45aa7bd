import { amountOf } from './strength.ts';
import { leftOf, shareReaching, startBout, strengthNow, type BoutState, type BoutWorld } from './bout.ts';
import type { PreparedAction, PreparedFighter } from './prepared.ts';

/** The harm of one action of one fighter to another, in their present states. */
export interface Harm {
  actor: number;
  action: number;
  target: number;
  /** Amounts when it hits. */
  least: number;
  mean: number;
  most: number;
  /** Hits of the mean amount that it takes from what is left; endless where it cannot hurt. */
  hits: number;
  /** One hit is enough: at its best, or always. */
  one: 'never' | 'at best' | 'always';
  cannotHurt: boolean;
}

/** Returns the harm of one action, without a draw. */
export function harmOf(state: BoutState, actor: number, action: number, target: number): Harm {
  const { world } = state;
  const { spread } = world.bout.actions[action] as PreparedAction;
  const share = shareReaching(world.bout.actions[action] as PreparedAction, world.fighters[target] as PreparedFighter);
  const strength = strengthNow(state, action, actor, target);
  const left = leftOf(state, target);
  const [least, mean, most] = [1 - spread, 1, 1 + spread].map((factor) => amountOf(strength, factor, share)) as [
    number,
    number,
    number,
  ];
  return {
    ...{ actor, action, target, least, mean, most },
    hits: mean > 0 ? Math.ceil(left / mean) : Number.POSITIVE_INFINITY,
    one: least >= left && least > 0 ? 'always' : most >= left && most > 0 ? 'at best' : 'never',
    cannotHurt: most <= 0,
  };
}

/** The table that balancing turns on: every action that harms, of everybody, against everybody of the other side. */
export function harmTable(world: BoutWorld): Harm[] {
  const state = startBout(world, 0);
  const { fighters, ours, bout } = world;
  return fighters.flatMap((fighter, actor) =>
    fighter.uses.flatMap(({ action }) => {
      const { does, strikes } = bout.actions[action] as PreparedAction;
      if (does !== 'harm' || (strikes !== 'one' && strikes !== 'all')) return [];
      return fighters.flatMap((_, target) =>
        actor < ours === target < ours ? [] : [harmOf(state, actor, action, target)],
      );
    }),
  );
}

/** The odds of each use among those that can be chosen now, 0–1; all 0 where the weights add up to nothing. */
export function oddsOf(state: BoutState, fighter: number, uses: readonly number[]): number[] {
  const { uses: all } = state.world.fighters[fighter] as PreparedFighter;
  const total = uses.reduce((sum, index) => sum + all[index]!.weight, 0);
  return all.map(({ weight }, index) => (total > 0 && uses.includes(index) ? weight / total : 0));
}
