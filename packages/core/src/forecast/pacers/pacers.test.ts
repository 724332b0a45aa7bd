import { collectablesOf } from '../../play/attempt/index.ts';
import { describe, expect, it } from '@jest/globals';
import { REST, startAttempt, step, type AttemptState } from '../../play/attempt/index.ts';
import { makeWorld, prepareLevel } from '../../play/movement/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Condition, type Piece, type Project } from '../../document/model/index.ts';
import { drawPlayer, emptyNeeds, makePlayer, pendingNeeds, PERFECT, playerInput, type Abilities } from './index.ts';

const { pacers } = homeBeforeDusk();
const steady = pacers[1]!;

/** An open field with a clover on each side, the hive below, and whatever else is asked for. */
function field(pieces: Piece[], change: (project: Project) => void = () => undefined): AttemptState {
  const project = homeBeforeDusk();
  const level = project.levels['clover-steps']!;
  level.ground = {
    kind: 'roam',
    rows: ['####################', ...Array.from({ length: 10 }, () => '#..................#'), '####################'],
    pieces: [
      { id: 'start', piece: 'start', at: { x: 5.5, y: 3.5 } },
      { id: 'hive', piece: 'goal', name: 'Hive mouth', at: { x: 9, y: 8 }, width: 2, height: 2 },
      ...pieces,
    ],
  };
  change(project);
  return startAttempt(makeWorld(prepareLevel(project, 1)), 1);
}
const clover = (id: string, x: number, y = 3.5): Piece => ({ id, piece: 'collectable', kind: 'clover', at: { x, y } });
const run = (state: AttemptState, abilities: Abilities, ticks: number): void => {
  const player = makePlayer(state, abilities, 1);
  for (let i = 0; i < ticks && state.phase === 'playing'; i++) step(state, playerInput(player, state));
};
const needs = (state: AttemptState) => {
  const found = emptyNeeds(3, 3);
  pendingNeeds(state, found);
  return found;
};

describe('a population', () => {
  it('gives another player to each attempt, the same to the same', () => {
    expect(drawPlayer(steady, 5)).toEqual(drawPlayer(steady, 5));
    expect(drawPlayer(steady, 5)).not.toEqual(drawPlayer(steady, 6));
  });

  it('keeps its mean and never gives an ability below a tenth of it', () => {
    const players = Array.from({ length: 2000 }, (_, seed) => drawPlayer(steady, seed));
    const mean = players.reduce((sum, player) => sum + player.reactionMs, 0) / players.length;
    expect(Math.abs(mean / steady.abilities.reactionMs - 1)).toBeLessThan(0.03);
    for (const player of players) {
      expect(player.reactionMs).toBeGreaterThanOrEqual(steady.abilities.reactionMs * 0.1 - 1e-9);
      expect(player.planning).toBeLessThanOrEqual(1);
    }
  });

  it('is abler from one to the next', () => {
    for (const ability of ['reactionMs', 'aimErrorDegrees', 'lapsesPerMinute'] as const) {
      const values = pacers.map((pacer) => pacer.abilities[ability]);
      expect(values).toEqual(values.toSorted((a, b) => b - a));
    }
  });
});

describe('what a player still needs', () => {
  it('is everything at first, then only the way home, then nothing', () => {
    const state = field([clover('a', 7.5)]);
    step(state, REST);
    expect(needs(state)).toMatchObject({ gather: [false, false, false, true], anythingToGather: true, zone: 0 });
    run(state, PERFECT, 60);
    expect(needs(state)).toMatchObject({ anythingToGather: false, zone: 0 });
  });

  const only = (when: Condition) => (project: Project) => (project.levels['clover-steps']!.rules[0]!.when = when);
  it.each<[string, Condition, object]>([
    [
      'of one kind',
      {
        id: 'k',
        is: 'compare',
        reading: { reading: 'collected', of: 'lavender' },
        comparison: 'atLeast',
        amount: literal(2),
      },
      { gather: [false, true, false, false], zone: -1 },
    ],
    [
      'until few are left',
      { id: 'k', is: 'compare', reading: { reading: 'left', of: 'any' }, comparison: 'atMost', amount: literal(0) },
      { gather: [false, false, false, true] },
    ],
    [
      'the first of several ways',
      {
        id: 'g',
        is: 'any',
        of: [
          { id: 'i', is: 'onOff', reading: { reading: 'inside', zone: 'hive' }, on: true },
          {
            id: 'k',
            is: 'compare',
            reading: { reading: 'worth', of: 'any' },
            comparison: 'atLeast',
            amount: literal(2),
          },
        ],
      },
      { anythingToGather: false, zone: 0 },
    ],
    [
      'nothing but time',
      { id: 't', is: 'compare', reading: { reading: 'timeElapsed' }, comparison: 'atLeast', amount: literal(9) },
      { anythingToGather: false, zone: -1 },
    ],
  ])('%s', (_case, when, expected) => {
    const state = field([clover('a', 7.5)], only(when));
    step(state, REST);
    expect(needs(state)).toMatchObject(expected);
  });
});

describe('a player', () => {
  it('acts a reaction later than it sees', () => {
    const slow = { ...PERFECT, reactionMs: 500 };
    const state = field([clover('a', 12.5)]);
    const player = makePlayer(state, slow, 1);
    const inputs: number[] = [];
    for (let i = 0; i < 60; i++) {
      const input = playerInput(player, state);
      inputs.push(input);
      step(state, input);
    }
    expect(inputs.findIndex((input) => input !== REST)).toBe(30);
  });

  it('goes straight for the nearest piece and then home', () => {
    const state = field([clover('near', 7.5), clover('far', 17.5)], (project) => {
      const condition = project.levels['clover-steps']!.rules[0]!.when;
      if ('of' in condition && condition.of[0]?.is === 'compare') condition.of[0].amount = literal(4);
    });
    run(state, { ...PERFECT, planning: 0 }, 600);
    expect(state.phase).toBe('won');
    expect(collectablesOf(state).all.map((piece) => piece.gathered)).toEqual([true, false]);
    // 2 units to the clover and about 5.5 home at 4.6 a second, half a second inside, and the starts and turns.
    expect(state.tick / 60).toBeLessThan(3.4);
  });

  it('that plans goes further for what pays', () => {
    const bloom: Piece = { id: 'bloom', piece: 'collectable', kind: 'royal-bloom', at: { x: 9.5, y: 3.5 } };
    const first = (planning: number): number => {
      const state = field([clover('near', 3.2), bloom]);
      run(state, { ...PERFECT, planning }, 90);
      return state.happenings.flatMap((happening) =>
        happening.what === 'piece' && happening.did === 'gathered' ? [happening.index] : [],
      )[0]!;
    };
    expect(first(0)).toBe(0);
    expect(first(1)).toBe(1);
  });

  it('goes around a hornet that sits in the way', () => {
    const still = (project: Project): void => {
      const hornet = project.kinds.enemies[0]!;
      if (hornet.movement === 'chase') hornet.sight = literal(0);
    };
    const state = field([clover('a', 14.5), { id: 'h', piece: 'enemy', kind: 'hornet', at: { x: 10, y: 3.5 } }], still);
    run(state, PERFECT, 600);
    expect(state.phase).toBe('won');
    expect(state.observed.lives).toBe(4);
  });

  it('flees a hornet that comes', () => {
    const state = field([{ id: 'h', piece: 'enemy', kind: 'hornet', at: { x: 8, y: 3.5 } }], (project) => {
      project.levels['clover-steps']!.clock.limitSeconds = null;
    });
    run(state, PERFECT, 240);
    expect(state.observed.lives).toBe(4);
  });

  it('with faults steers another course than one without, the same one each time', () => {
    const path = (abilities: Abilities): string => {
      const state = field([clover('a', 14.5)]);
      run(state, abilities, 90);
      return `${state.body.x},${state.body.y}`;
    };
    const faulty = { ...PERFECT, aimErrorDegrees: 25 };
    expect(path(faulty)).toBe(path(faulty));
    expect(path(faulty)).not.toBe(path(PERFECT));
  });

  it('does not reach what is walled off, and does not break on it', () => {
    const state = field([clover('a', 17.5)], (project) => {
      const { ground } = project.levels['clover-steps']!;
      ground.rows = ground.rows.map((row, y) => (y === 0 || y === 11 ? row : `${row.slice(0, 15)}#${row.slice(16)}`));
    });
    run(state, PERFECT, 300);
    expect(state.phase).toBe('playing');
    expect(state.observed.collected[3]).toBe(0);
  });
});
