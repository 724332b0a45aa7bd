import { describe, expect, it } from '@jest/globals';
import { step, type AttemptState } from '../../play/attempt/index.ts';
import { literal, type Condition, type Piece } from '../../document/model/index.ts';
import { atLeast, atMost, clover, inGarden, is, rule, run } from '../../testing/index.ts';
import { emptyNeeds, makePlayer, pendingNeeds, PERFECT, playerInput, type Needs } from './index.ts';

const play = (state: AttemptState, seconds: number): AttemptState => {
  const player = makePlayer(state, PERFECT, 1);
  for (let i = 0; i < seconds * 60 && state.phase === 'playing'; i++) step(state, playerInput(player, state));
  return state;
};
const needs = (state: AttemptState): Needs => {
  const found = emptyNeeds(3, 3);
  pendingNeeds(state, found);
  return found;
};
const won = (when: Condition) => rule('won', when, [{ effect: 'win' }]);
const all = (...of: Condition[]): Condition => ({ id: 'all', is: 'all', of });

const wall = (open: boolean): Piece => ({
  id: 'gate',
  piece: 'gate',
  name: 'Gate',
  at: { x: 9, y: 1 },
  width: 1,
  height: 10,
  open,
});
const latch = (x: number, opens = ['gate']): Piece => ({
  id: 'latch',
  piece: 'latch',
  name: 'Latch',
  at: { x, y: 8.5 },
  opens,
});
const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 5 }, width: 2, height: 2 };
const zone = (id: string, x: number, y: number): Piece => ({
  id,
  piece: 'zone',
  name: id,
  at: { x, y },
  width: 2,
  height: 2,
});
const atExit = is('in', { reading: 'inside', zone: 'exit' });

describe('a player opens the way', () => {
  it('by the latch of a gate that bars the exit', () => {
    const state = play(inGarden({ pieces: [wall(false), latch(4.5), exit], rules: [won(atExit)] }), 20);
    expect(state.phase).toBe('won');
    expect(state.observed.latches[0]).toBe(1);
  });

  it('by the milestone that opens it', () => {
    const opens = rule('opens', atLeast('two', { reading: 'collected', of: 'any' }, 2), [
      { effect: 'gate', gate: 'gate', open: true },
    ]);
    const pieces = [wall(false), exit, clover('a', 4.5, 2.5), clover('b', 4.5, 9.5)];
    expect(play(inGarden({ pieces, rules: [won(atExit), opens] }), 20).phase).toBe('won');
  });

  it('to what it has to gather behind the gate', () => {
    const pieces = [wall(false), latch(4.5), clover('far', 15.5)];
    const state = play(inGarden({ pieces, rules: [won(atLeast('c', { reading: 'collected', of: 'any' }, 1))] }), 20);
    expect(state.phase).toBe('won');
  });

  it('not at all where nothing opens it, and does not break on it', () => {
    const state = play(inGarden({ pieces: [wall(false), exit], rules: [won(atExit)] }), 5);
    expect(state.phase).toBe('playing');
    expect(state.body.x).toBeLessThan(9);
  });

  it('when the rule itself asks for the gate, or for the latch', () => {
    for (const reading of [{ reading: 'gate', gate: 'gate' } as const, { reading: 'latch', latch: 'latch' } as const]) {
      const state = inGarden({ pieces: [wall(false), latch(4.5)], rules: [won(is('asked', reading))] });
      step(state, 0);
      expect(needs(state).latch).toBe(0);
      expect(play(state, 10).phase).toBe('won');
    }
  });
});

describe('a player finds what is hidden', () => {
  it('by doing what reveals it', () => {
    const bloom: Piece = { id: 'bloom', piece: 'collectable', kind: 'royal-bloom', at: { x: 10, y: 9 }, hidden: true };
    const reveal = rule('reveal', is('there', { reading: 'inside', zone: 'spot' }), [
      { effect: 'reveal', piece: 'bloom' },
    ]);
    const state = inGarden({
      pieces: [bloom, zone('spot', 14, 2)],
      rules: [won(atLeast('b', { reading: 'collected', of: 'royal-bloom' }, 1)), reveal],
    });
    step(state, 0);
    expect(needs(state).zone).toBe(0);
    expect(play(state, 20).phase).toBe('won');
  });
});

describe('a player beats what is to be beaten', () => {
  const beetle = (id: string, x: number, y: number): Piece => ({ id, piece: 'enemy', kind: 'beetle', at: { x, y } });
  it('every one, wherever they sit, without touching them', () => {
    const state = play(
      inGarden({
        pieces: [beetle('a', 9, 3), beetle('b', 16, 9)],
        rules: [won(atMost('none', { reading: 'enemiesLeft', of: 'beetle' }, 0))],
      }),
      30,
    );
    expect(state.phase).toBe('won');
    expect(state.observed.health).toBe(100);
  });

  it.each(['cross', 'lift'] as const)('on a ground of the kind %s too, from where its shots reach', (kind) => {
    const state = play(
      inGarden({
        pieces: [beetle('a', 9.5, 3.5), beetle('b', 16.5, 9.5)],
        rules: [won(atMost('none', { reading: 'enemiesLeft', of: 'beetle' }, 0))],
        change: (_project, level) => (level.ground = { ...level.ground, kind }),
      }),
      30,
    );
    expect(state.phase).toBe('won');
    expect(state.observed.lives).toBe(4);
  });

  it('as many as asked, facing them where shots go straight on', () => {
    const state = play(
      inGarden({
        pieces: [beetle('a', 12, 5.5)],
        rules: [won(atLeast('one', { reading: 'enemiesBeaten', of: 'any' }, 1))],
        change: (project) => (project.player.shooting!.aim = 'facing'),
      }),
      30,
    );
    expect(state.phase).toBe('won');
  });
});

describe('a player goes where it must', () => {
  it('in the order asked, one after the other', () => {
    const visit = (id: string) => is(`at-${id}`, { reading: 'inside', zone: id });
    const state = inGarden({
      pieces: [zone('near', 4, 8), zone('far', 16, 2)],
      rules: [won({ id: 'o', is: 'inOrder', of: [visit('far'), visit('near')] })],
    });
    step(state, 0);
    expect(needs(state).zone).toBe(1);
    expect(play(state, 20).phase).toBe('won');
  });

  it('as many as it takes of several', () => {
    const state = inGarden({
      pieces: [clover('a', 6.5), zone('spot', 10, 8)],
      rules: [
        won({
          id: 'k',
          is: 'atLeast',
          count: literal(2),
          of: [
            atLeast('never', { reading: 'worth', of: 'any' }, 999),
            atLeast('c', { reading: 'collected', of: 'any' }, 1),
            is('s', { reading: 'inside', zone: 'spot' }),
          ],
        }),
      ],
    });
    expect(play(state, 20).phase).toBe('won');
  });

  it('up, when a height is asked', () => {
    const state = play(inGarden({ rules: [won(atLeast('high', { reading: 'height' }, 10.5))] }), 5);
    expect(state.phase).toBe('won');
    expect(state.observed.height).toBeGreaterThanOrEqual(10.5);
  });

  it('for a tally, to what counts it', () => {
    const counts = rule(
      'counts',
      is('there', { reading: 'inside', zone: 'spot' }),
      [{ effect: 'tally', tally: 'stings', add: literal(1) }],
      'eachTime',
    );
    const state = inGarden({
      pieces: [zone('spot', 10, 8)],
      rules: [won(atLeast('t', { reading: 'tally', tally: 'stings' }, 1)), counts],
    });
    expect(play(state, 10).phase).toBe('won');
  });

  it('nowhere while only time is asked, and so survives', () => {
    const state = play(
      inGarden({
        pieces: [{ id: 'h', piece: 'enemy', kind: 'hornet', at: { x: 14, y: 5.5 } }],
        rules: [rule('sting', is('t', { reading: 'touching', kind: 'hornet' }), [{ effect: 'lose', cause: 'Stung' }])],
        change: (_project, level) => {
          level.clock = { ...level.clock, limitSeconds: literal(12), starts: 'load', atExpiry: 'win' };
        },
      }),
      20,
    );
    expect(state.phase).toBe('won');
    expect(state.verdicts.ending.rule).toBe(-1);
  });

  it('for stars where the clock grades', () => {
    const state = play(
      inGarden({
        pieces: [clover('a', 6.5), clover('b', 12)],
        change: (_project, level) => {
          level.clock = { ...level.clock, limitSeconds: literal(6), starts: 'load', atExpiry: 'grade' };
          level.stars = { is: 'ladder', reading: 'worth', direction: 'atLeast', thresholds: [literal(4), literal(8)] };
        },
      }),
      10,
    );
    expect([state.phase, state.verdicts.stars]).toEqual(['won', 2]);
  });
});

describe('a player keeps away from what hurts', () => {
  const pond: Piece = { id: 'p', piece: 'hazard', kind: 'pond', at: { x: 8, y: 3 }, width: 3, height: 6 };
  it('goes round a pond that lies in the way', () => {
    const state = play(inGarden({ pieces: [pond, exit], rules: [won(atExit)] }), 20);
    expect(state.phase).toBe('won');
    expect(state.observed.health).toBe(100);
  });

  it('goes through it where there is no other way', () => {
    const across: Piece = { ...pond, at: { x: 8, y: 1 }, width: 1, height: 10 } as Piece;
    const state = play(inGarden({ pieces: [across, exit], rules: [won(atExit)] }), 20);
    expect(state.phase).toBe('won');
    expect(state.observed.health).toBeLessThan(100);
  });

  it('crosses missing ground by its bridge', () => {
    const rows = [
      '####################',
      ...Array.from({ length: 10 }, (_, y) => (y === 8 || y === 9 ? '#..................#' : '#.......~~.........#')),
      '####################',
    ];
    const state = play(inGarden({ rows, pieces: [exit], rules: [won(atExit)] }), 20);
    expect(state.phase).toBe('won');
    expect(state.happenings.some(({ what }) => what === 'fell')).toBe(false);
  });

  it('gets out of a pond it stands in', () => {
    const here: Piece = { ...pond, at: { x: 1, y: 4 }, width: 4, height: 3 } as Piece;
    const state = play(inGarden({ pieces: [here, exit], rules: [won(all(atExit))] }), 20);
    expect(state.phase).toBe('won');
    expect(run(state, 0, 1).observed.health).toBeGreaterThan(50);
  });
});
