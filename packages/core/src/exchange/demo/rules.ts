import {
  fromParameter,
  literal,
  type Amount,
  type Comparison,
  type Condition,
  type Effect,
  type Reading,
  type Rule,
} from '../../document/model/index.ts';

/** Short words for writing rules down; each makes a whole condition. */
export const on = (id: string, reading: Reading, heldSeconds = 0): Condition => ({
  id,
  is: 'onOff',
  reading,
  on: true,
  ...(heldSeconds > 0 ? { heldSeconds: literal(heldSeconds) } : {}),
});
export const compare = (
  id: string,
  reading: Reading,
  comparison: Comparison,
  amount: Amount | number,
  heldSeconds = 0,
): Condition => ({
  id,
  is: 'compare',
  reading,
  comparison,
  amount: typeof amount === 'number' ? literal(amount) : amount,
  ...(heldSeconds > 0 ? { heldSeconds: literal(heldSeconds) } : {}),
});
export const group = (id: string, is: 'all' | 'any' | 'none' | 'inOrder', ...of: Condition[]): Condition => ({
  id,
  is,
  of,
});
export const atLeastOf = (id: string, count: number, ...of: Condition[]): Condition => ({
  id,
  is: 'atLeast',
  count: literal(count),
  of,
});
export const once = (id: string, when: Condition, ...then: Effect[]): Rule => ({ id, when, then, fires: 'once' });
export const eachTime = (id: string, when: Condition, ...then: Effect[]): Rule => ({
  id,
  when,
  then,
  fires: 'eachTime',
});

export const nectarAtLeast = (amount: Amount | number, id = 'enough-nectar'): Condition =>
  compare(id, { reading: 'worth', of: 'any' }, 'atLeast', amount);
export const home = (heldSeconds: number, id = 'home'): Condition =>
  on(id, { reading: 'inside', zone: 'hive' }, heldSeconds);
export const gathered = (kind: string, amount: Amount | number, id = `enough-${kind}`): Condition =>
  compare(id, { reading: 'collected', of: kind }, 'atLeast', amount);

export const needed: Amount = { from: 'share', share: fromParameter('nectarNeeded'), of: 'any', measure: 'worth' };
export const shareOfNectar = (share: number): Amount => ({
  from: 'share',
  share: literal(share),
  of: 'any',
  measure: 'worth',
});

/** Won when all of these hold. */
export const won = (...of: Condition[]): Rule => once('won', group('all', 'all', ...of), { effect: 'win' });
export const lost = (id: string, cause: string, when: Condition): Rule => once(id, when, { effect: 'lose', cause });

const touch = (kind: string, back: 'start' | 'checkpoint' | 'stay', resets: string[] = []): Rule =>
  eachTime(`${kind}-touch`, on(`touches-${kind}`, { reading: 'touching', kind }), {
    effect: 'loseLife',
    lives: literal(1),
    back,
    resets,
  });

/**
 * Standing rules of every garden: a hornet costs a life and sends the bee back; a wasp's sting costs one on the spot; a bee
 * without health starts again, rested; without lives it is over.
 */
export const standingRules = (): Rule[] => [
  lost('out-of-lives', 'Out of lives', compare('no-lives', { reading: 'lives' }, 'atMost', 0)),
  touch('hornet', 'checkpoint'),
  touch('wasp', 'stay'),
  eachTime('worn-out', compare('no-health', { reading: 'health' }, 'atMost', 0), {
    effect: 'loseLife',
    lives: literal(1),
    back: 'checkpoint',
    resets: ['health'],
  }),
];
