import { fromParameter, literal, type Amount, type Condition, type Rule } from '../model/index.ts';

const nectarAtLeast = (amount: Amount): Condition => ({
  id: 'enough-nectar',
  is: 'compare',
  reading: { reading: 'worth', of: 'any' },
  comparison: 'atLeast',
  amount,
});

const home = (heldSeconds: number): Condition => ({
  id: 'home',
  is: 'onOff',
  reading: { reading: 'inside', zone: 'hive' },
  on: true,
  ...(heldSeconds > 0 ? { heldSeconds: literal(heldSeconds) } : {}),
});

export const needed: Amount = { from: 'share', share: fromParameter('nectarNeeded'), of: 'any', measure: 'worth' };

const won = (of: Condition[]): Rule => ({
  id: 'won',
  when: { id: 'all', is: 'all', of },
  then: [{ effect: 'win' }],
  fires: 'once',
});

/** Gather so much nectar, then stay in the hive mouth for a moment. */
export const gatherAndGoHome = (amount: Amount, heldSeconds: number): Rule =>
  won([nectarAtLeast(amount), home(heldSeconds)]);

/** Gather so much nectar, wherever the bee is then. */
export const gatherOnly = (amount: Amount): Rule => won([nectarAtLeast(amount)]);

/** Gather so many of one kind and so much nectar, then go home. */
export const gatherKindAndGoHome = (kind: string, count: number, amount: Amount): Rule =>
  won([
    {
      id: 'enough-of-one',
      is: 'compare',
      reading: { reading: 'collected', of: kind },
      comparison: 'atLeast',
      amount: literal(count),
    },
    nectarAtLeast(amount),
    home(0.5),
  ]);

const touch = (enemy: string, back: 'start' | 'stay'): Rule => ({
  id: `${enemy}-touch`,
  when: { id: `touches-${enemy}`, is: 'onOff', reading: { reading: 'touching', kind: enemy }, on: true },
  then: [{ effect: 'loseLife', lives: literal(1), back }],
  fires: 'eachTime',
});

/** A hornet costs a life and sends the bee back; a wasp's sting costs one on the spot; without lives it is over. */
export const losses: readonly Rule[] = [
  {
    id: 'out-of-lives',
    when: { id: 'no-lives', is: 'compare', reading: { reading: 'lives' }, comparison: 'atMost', amount: literal(0) },
    then: [{ effect: 'lose', cause: 'Out of lives' }],
    fires: 'once',
  },
  touch('hornet', 'start'),
  touch('wasp', 'stay'),
];
