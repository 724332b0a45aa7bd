import { describe, expect, it } from '@jest/globals';
import { literal, type Effect, type Level, type Piece, type Project, type Stars } from '../../document/model/index.ts';
import { atLeast, atMost, clover, garden, inGarden, is, rule, run } from '../../testing/index.ts';
import { headingInput, makeWorld, prepareLevel } from '../movement/index.ts';
import {
  coast,
  collectablesOf,
  enemiesOf,
  cutAt,
  emptyRecording,
  FIRE,
  hashState,
  record,
  recordedTicks,
  replay,
  REST,
  startAttemptFrom,
  step,
  timelineOf,
} from './index.ts';
import { cuedTicksOf } from './pieces/zone.ts';

const RIGHT = headingInput(0);
const LEFT = headingInput(16);

const gate: Piece = { id: 'gate', piece: 'gate', name: 'Gate', at: { x: 7, y: 1 }, width: 1, height: 10, open: false };
const latch: Piece = { id: 'latch', piece: 'latch', name: 'Latch', at: { x: 4.5, y: 5.5 }, opens: ['gate'] };
const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 9, y: 4 }, width: 2, height: 3 };
const inExit = is('in', { reading: 'inside', zone: 'exit' });
const won = (...of: Parameters<typeof rule>[1][]) => rule('won', { id: 'all', is: 'all', of }, [{ effect: 'win' }]);

describe('a gated exit', () => {
  it('stays out of reach while the gate is closed', () => {
    const state = run(inGarden({ pieces: [gate, exit], rules: [won(inExit)] }), RIGHT, 300);
    expect(state.phase).toBe('playing');
    expect(state.body.x).toBeCloseTo(7 - 0.3, 5);
  });

  it('opens by the latch, which acts once however often it is touched', () => {
    const state = inGarden({
      pieces: [gate, latch, exit],
      rules: [won(is('open', { reading: 'gate', gate: 'gate' }), inExit)],
    });
    for (const input of [RIGHT, LEFT, RIGHT, LEFT, RIGHT]) run(state, input, 40);
    run(state, RIGHT, 200);
    expect(state.phase).toBe('won');
    expect(state.happenings.filter((entry) => entry.what === 'piece' && entry.piece === 'latch')).toHaveLength(1);
    expect(state.happenings.filter((entry) => entry.what === 'piece' && entry.piece === 'gate')).toHaveLength(1);
  });

  it('closes by a milestone only once nobody stands in it', () => {
    const shut = rule('shut', atLeast('late', { reading: 'timeElapsed' }, 0.75), [
      { effect: 'gate', gate: 'gate', open: false },
    ]);
    const open = { ...gate, open: true } as Piece;
    // After 45 ticks the bee is at about 5.5; in the gate from tick 60 on to 80.
    const inTheWay = inGarden({ pieces: [{ ...open, at: { x: 5, y: 1 } } as Piece], rules: [shut] });
    run(inTheWay, RIGHT, 46);
    expect(inTheWay.observed.gates[0]).toBe(1);
    run(inTheWay, RIGHT, 60);
    expect(inTheWay.observed.gates[0]).toBe(0);
  });
});

describe('a hidden piece', () => {
  it('is neither there nor gathered until a milestone reveals it, and counts from then on', () => {
    const reveal = rule('reveal', atLeast('one', { reading: 'collected', of: 'clover' }, 1), [
      { effect: 'reveal', piece: 'bloom' },
    ]);
    const bloom: Piece = {
      id: 'bloom',
      piece: 'collectable',
      kind: 'royal-bloom',
      at: { x: 4, y: 5.5 },
      hidden: true,
    };
    const state = inGarden({ pieces: [bloom, clover('c', 7.5)], rules: [reveal] });
    run(state, RIGHT, 40);
    expect(state.observed.collected[2]).toBe(0);
    expect(state.observed.left[3]).toBe(1);
    run(state, RIGHT, 40);
    expect(state.observed.left[3]).toBe(1);
    run(state, LEFT, 120);
    expect(state.observed.worth[3]).toBe(30);
  });
});

describe('beating', () => {
  const beetle: Piece = { id: 'b', piece: 'enemy', kind: 'beetle', at: { x: 6.5, y: 5.5 } };
  it('takes as many shots as there is health, passing its phases', () => {
    const state = inGarden({
      pieces: [beetle],
      rules: [won(atMost('none', { reading: 'enemiesLeft', of: 'any' }, 0))],
    });
    const phases = new Set<number>();
    while (state.phase === 'playing' && state.tick < 600) {
      step(state, FIRE);
      phases.add(state.observed.phases[0]!);
    }
    expect(state.phase).toBe('won');
    // Health 3, phase at half of it: 3 and 2 are phase 1, 1 and 0 are phase 2.
    expect([...phases]).toEqual([1, 2]);
    expect(state.observed.enemiesBeaten.at(-1)).toBe(1);
    // A shot goes 3.48 units at 9 a second, and the third leaves 48 ticks after the first.
    expect(state.tick).toBeGreaterThan(48 + 20);
    expect(state.tick).toBeLessThan(48 + 30);
  });

  it('ends with the ammunition', () => {
    const state = inGarden({
      pieces: [beetle],
      change: (project) => (project.player.shooting!.ammunition = literal(2)),
    });
    run(state, FIRE, 300);
    expect(enemiesOf(state).all[0]!.health).toBe(1);
    expect(state.ammunition).toBe(0);
  });

  it('needs the way to be clear and shoots where it faces if so asked', () => {
    const facing = inGarden({
      pieces: [beetle],
      change: (project) => (project.player.shooting!.aim = 'facing'),
    });
    run(facing, LEFT, 3);
    run(facing, FIRE, 120);
    expect(enemiesOf(facing).all[0]!.health).toBe(3);
  });
});

describe('hazards', () => {
  const pond: Piece = { id: 'p', piece: 'hazard', kind: 'pond', at: { x: 4, y: 5 }, width: 2, height: 1 };
  it('per second take health for as long as the bee stands in them', () => {
    const state = inGarden({ pieces: [{ ...pond, at: { x: 2, y: 5 } } as Piece] });
    run(state, REST, 60);
    // 45 a second for one second, of 100.
    expect(state.observed.health).toBeCloseTo(55, 9);
  });

  it('at a touch take it once per touch', () => {
    const state = inGarden({
      pieces: [{ ...pond, kind: 'thorn', at: { x: 2, y: 5 } } as Piece],
    });
    run(state, REST, 60);
    expect(state.observed.health).toBe(65);
  });

  it('send a worn out bee back and give it its health again', () => {
    const state = inGarden({
      pieces: [{ ...pond, width: 6, height: 5, at: { x: 4, y: 3 } } as Piece],
      rules: [
        rule(
          'worn',
          atMost('no-health', { reading: 'health' }, 0),
          [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: ['health'] }],
          'eachTime',
        ),
      ],
    });
    while (state.observed.lives === 4 && state.tick < 2000) step(state, state.tick < 30 ? RIGHT : REST);
    expect(state.observed.lives).toBe(3);
    expect(state.body.x).toBe(2.5);
    expect(state.observed.health).toBe(100);
  });

  it('kill by a rule, at once', () => {
    const web: Piece = { ...pond, kind: 'web' } as Piece;
    const state = inGarden({
      pieces: [web],
      rules: [rule('web', is('t', { reading: 'touching', kind: 'web' }), [{ effect: 'lose', cause: 'Web' }])],
    });
    run(state, RIGHT, 200);
    expect(state.phase).toBe('lost');
    expect(state.body.x).toBeGreaterThanOrEqual(4);
    expect(state.body.x).toBeLessThan(4.1);
  });

  it('are the ground that is missing', () => {
    const rows = [
      '####################',
      ...Array.from({ length: 10 }, () => '#.....~............#'),
      '####################',
    ];
    const state = inGarden({
      rows,
      rules: [rule('fell', is('f', { reading: 'offGround' }), [{ effect: 'lose', cause: 'Fell' }])],
    });
    run(state, RIGHT, 200);
    expect(state.phase).toBe('lost');
    expect(Math.floor(state.body.x)).toBe(6);
  });

  it('fly from an emitter, in reach and sight only, and hurt once', () => {
    const emitter: Piece = {
      id: 'e',
      piece: 'emitter',
      kind: 'thorn',
      aim: 'player',
      at: { x: 7.5, y: 5.5 },
      everySeconds: literal(1),
      speed: literal(5),
      reach: literal(6),
    };
    const hit = run(inGarden({ pieces: [emitter] }), REST, 150);
    // Shot at tick 60 and 120, 1 s of way: one has hit.
    expect(hit.observed.health).toBe(65);
    const far = run(inGarden({ pieces: [{ ...emitter, reach: literal(3) } as Piece] }), REST, 300);
    expect(far.observed.health).toBe(100);
    const away = run(inGarden({ pieces: [{ ...emitter, aim: 0 } as Piece] }), REST, 300);
    expect(away.observed.health).toBe(100);
  });
});

describe('a lost life', () => {
  const leaf: Piece = { id: 'leaf', piece: 'checkpoint', name: 'Leaf', at: { x: 5.5, y: 5.5 } };
  const zone: Piece = { id: 'pit', piece: 'zone', name: 'Pit', at: { x: 9, y: 4 }, width: 1, height: 3 };
  const falls = (resets: string[], back: 'start' | 'checkpoint' = 'checkpoint') => [
    rule('gain', atLeast('any', { reading: 'collected', of: 'any' }, 1), [
      { effect: 'tally', tally: 'stings', add: literal(2) },
      { effect: 'score', add: literal(50) },
    ]),
    rule(
      'pit',
      is('in', { reading: 'inside', zone: 'pit' }),
      [{ effect: 'loseLife', lives: literal(1), back, resets }],
      'eachTime',
    ),
  ];
  it.each([
    ['keeps everything', [], [4, 2, 50]],
    ['loses what was gathered', ['gathered'], [0, 2, 50]],
    ['loses the tally', ['stings'], [4, 0, 50]],
    ['loses points and pieces', ['gathered', 'score'], [0, 2, 0]],
  ])('%s when it says so', (_case, resets, expected) => {
    const state = inGarden({ pieces: [leaf, zone, clover('c', 7.5)], rules: falls(resets) });
    while (state.observed.lives === 4 && state.tick < 500) step(state, RIGHT);
    const { observed } = state;
    expect([observed.worth[3], observed.tallies[0], observed.bonus]).toEqual(expected);
    expect([state.body.x, state.body.y]).toEqual([5.5, 5.5]);
    expect(collectablesOf(state).all[0]!.gathered).toBe(!resets.includes('gathered'));
  });

  it('leads to the start where no checkpoint was reached, or where it is meant to', () => {
    const state = inGarden({ pieces: [leaf, zone], rules: falls([], 'start') });
    while (state.observed.lives === 4 && state.tick < 500) step(state, RIGHT);
    expect(state.body.x).toBe(2.5);
  });
});

describe('in the middle of the level', () => {
  const half = atLeast('half', { reading: 'worth', of: 'any' }, 4);
  it('a wave is sent, once, and counts as enemies still to be beaten', () => {
    const wave: Piece = {
      id: 'wave',
      piece: 'spawner',
      kind: 'beetle',
      starts: 'milestone',
      at: { x: 15, y: 5 },
      howMany: literal(3),
      firstAfterSeconds: literal(0),
      everySeconds: literal(0.5),
      safeDistance: 3,
      spread: { width: 6, height: 6 },
    };
    const state = inGarden({
      pieces: [wave, clover('c', 3.5)],
      rules: [rule('wave', half, [{ effect: 'wave', spawner: 'wave' }])],
    });
    expect(state.observed.enemiesLeft.at(-1)).toBe(0);
    run(state, RIGHT, 20);
    expect(state.observed.enemiesLeft.at(-1)).toBe(3);
    run(state, REST, 200);
    const sent = enemiesOf(state).all.filter((enemy) => enemy.active);
    expect(sent).toHaveLength(3);
    for (const enemy of sent) {
      expect(Math.abs(enemy.homeX - 15)).toBeLessThanOrEqual(3);
      expect(Math.hypot(enemy.homeX - state.body.x, enemy.homeY - state.body.y)).toBeGreaterThanOrEqual(3);
    }
  });

  it('a changed parameter changes what follows it: speeds, thresholds, the clock', () => {
    const state = inGarden({
      pieces: [clover('c', 3.5), { id: 'h', piece: 'enemy', kind: 'hornet', at: { x: 17, y: 9 } }],
      rules: [
        rule('hurry', half, [
          { effect: 'parameter', parameter: 'hornetSpeed', change: 'times', by: literal(1.5) },
          { effect: 'parameter', parameter: 'clock', change: 'plus', by: literal(-8) },
          { effect: 'parameter', parameter: 'nectarNeeded', change: 'set', by: literal(1) },
        ]),
        rule(
          'won',
          {
            id: 'w',
            is: 'compare',
            reading: { reading: 'worth', of: 'any' },
            comparison: 'moreThan',
            amount: {
              from: 'share',
              share: { from: 'parameter', parameter: 'nectarNeeded' },
              of: 'any',
              measure: 'worth',
            },
          },
          [{ effect: 'win' }],
        ),
      ],
      change: (_project, level) => (level.clock.limitSeconds = { from: 'parameter', parameter: 'clock' }),
    });
    // At slot 1: speed 2, clock 48, half of 4 needed.
    expect([enemiesOf(state).all[0]!.speed, state.observed.limitTicks]).toEqual([2, 48 * 60]);
    run(state, RIGHT, 20);
    expect([enemiesOf(state).all[0]!.speed, state.observed.limitTicks]).toEqual([3, 40 * 60]);
    expect(state.verdicts.amounts.at(-1)).toBe(4);
    expect(enemiesOf(state).all[0]!.source.speed).toBe(2);
  });

  it('a message stands for its time, and a cue marks its zone', () => {
    const state = inGarden({
      pieces: [exit, clover('c', 3.5)],
      rules: [
        rule('say', half, [
          { effect: 'message', text: 'Halfway!', seconds: literal(2) },
          { effect: 'cue', name: 'glow', at: 'exit' },
        ]),
      ],
    });
    run(state, RIGHT, 20);
    expect(state.message.rule).toBe(0);
    expect(state.message.untilTick - cuedTicksOf(state)[0]!).toBe(120);
  });

  it('a rule that fires at an interval does so while its condition holds', () => {
    const state = inGarden({
      rules: [
        {
          ...rule('drip', atLeast('t', { reading: 'timeElapsed' }, 1), [{ effect: 'score', add: literal(1) }], 'every'),
          everySeconds: literal(0.5),
        },
      ],
    });
    run(state, REST, 60 + 30 * 3);
    expect(state.observed.bonus).toBe(4);
  });
});

describe('after the end', () => {
  const timeUp = rule('up', atLeast('t', { reading: 'timeElapsed' }, 0.5), [{ effect: 'lose', cause: 'Time' }]);
  it('nothing counts, fires or moves; what the ending lets go on moves for the eye', () => {
    const made = {
      pieces: [{ id: 'h', piece: 'enemy', kind: 'wasp', at: { x: 9, y: 9 }, path: [{ x: 9, y: 2 }] } as Piece],
      rules: [timeUp],
    };
    const state = run(inGarden(made), REST, 30);
    expect(state.phase).toBe('lost');
    const before = hashState(state);
    for (let i = 0; i < 50; i++) step(state, RIGHT + FIRE);
    expect(hashState(state)).toBe(before);
    for (let i = 0; i < 30; i++) coast(state, { freezeTicks: 30, goesOn: ['enemies', 'emitters'] });
    expect(hashState(state)).toBe(before);
    const y = enemiesOf(state).all[0]!.y;
    for (let i = 0; i < 10; i++) coast(state, { freezeTicks: 30, goesOn: ['enemies', 'emitters'] });
    expect(enemiesOf(state).all[0]!.y).not.toBe(y);
    expect(state.happenings.filter(({ what }) => what === 'lost')).toHaveLength(1);
  });
});

describe('an attempt from a state that is set', () => {
  const world = () =>
    makeWorld(prepareLevel(garden({ pieces: [gate, latch, exit, clover('a', 9.5), clover('b', 12)] }), 1));
  it('has its place, its pieces, its clock and its latches', () => {
    const state = startAttemptFrom(world(), 1, {
      at: { x: 9, y: 3 },
      clockSeconds: 12,
      lives: 2,
      health: 30,
      tries: 4,
      bonus: 7,
      gathered: [1],
      latches: [0],
      tallies: { 0: 5 },
    });
    const { observed } = state;
    expect([state.body.x, observed.height, observed.clockTicks, observed.lives]).toEqual([9, 9, 720, 2]);
    expect([observed.health, observed.tries, observed.worth[3], observed.left[3]]).toEqual([30, 4, 4, 1]);
    expect([observed.latches[0], observed.gates[0], observed.tallies[0], observed.bonus]).toEqual([1, 1, 5, 7]);
    expect(state.happenings).toEqual([]);
  });

  it('is replayed tick for tick, and cut where play goes on', () => {
    const recording = emptyRecording(3, { at: { x: 4, y: 4 } });
    const state = startAttemptFrom(world(), 3, recording.from);
    for (let i = 0; i < 90; i++) {
      const input = i < 40 ? RIGHT : i < 60 ? REST : LEFT;
      record(recording, input);
      step(state, input);
    }
    expect(recording.runs).toEqual([RIGHT, 40, REST, 20, LEFT, 30]);
    expect(hashState(replay(world(), recording))).toBe(hashState(state));
    expect(replay(world(), recording, 50).tick).toBe(50);
    expect(recordedTicks(cutAt(recording, 50))).toBe(50);
    expect(hashState(replay(world(), cutAt(recording, 50)))).toBe(hashState(replay(world(), recording, 50)));
  });
});

describe('a timeline', () => {
  it('tells when each rule held, when it fired and what decided', () => {
    const rules = [
      rule('in', is('z', { reading: 'inside', zone: 'exit' }), [{ effect: 'score', add: literal(1) }], 'eachTime'),
      rule('end', atLeast('t', { reading: 'timeElapsed' }, 3), [{ effect: 'win' }]),
    ];
    const world = makeWorld(prepareLevel(garden({ pieces: [exit], rules }), 1));
    const recording = emptyRecording(1);
    for (let i = 0; i < 300; i++) record(recording, i < 120 ? RIGHT : LEFT);
    const { ticks, truths, fired, decidedAt } = timelineOf(world, recording);
    expect([ticks, decidedAt]).toEqual([180, 180]);
    expect(fired[1]).toEqual([180]);
    expect(truths[1]).toEqual([180, 181]);
    const [from, to] = truths[0] as [number, number];
    expect(fired[0]![0]).toBe(from);
    // 6.5 units at 4.6 a second from a standing start.
    expect(from).toBeGreaterThan(85);
    expect(from).toBeLessThan(95);
    expect(to).toBeGreaterThan(from);
  });
});

describe('the tick of a win', () => {
  const reached = rule('won', atLeast('t', { reading: 'timeElapsed' }, 1), [{ effect: 'win' }]);
  const bonus = rule('bonus', atLeast('b', { reading: 'timeElapsed' }, 1), [{ effect: 'score', add: literal(50) }]);

  it.each<[string, Stars]>([
    ['on a ladder', { is: 'ladder', reading: 'score', direction: 'atLeast', thresholds: [null, literal(50)] }],
    ['by conditions', { is: 'conditions', conditions: [null, atLeast('s', { reading: 'score' }, 50)] }],
  ])('counts stars %s after the milestones of that tick', (_case, stars) => {
    const change = (project: Project, level: Level): void => {
      project.score = [];
      level.stars = stars;
    };
    const state = run(inGarden({ rules: [reached, bonus], change }), REST, 100);
    expect([state.phase, state.tick, state.verdicts.stars]).toEqual(['won', 60, 2]);
  });

  it.each(['win', 'loss'] as const)('of a rule that both wins and loses is settled by the tie: %s', (tie) => {
    const both = rule('both', atLeast('t', { reading: 'timeElapsed' }, 1), [
      { effect: 'win' },
      { effect: 'lose', cause: 'Too much' },
    ]);
    const state = run(inGarden({ rules: [both], change: (_project, level) => void (level.tie = tie) }), REST, 100);
    expect(state.phase).toBe(tie === 'win' ? 'won' : 'lost');
  });

  it('by the clock is graded after the milestones of that tick', () => {
    const change = (project: Project, level: Level): void => {
      project.score = [];
      level.clock = { ...level.clock, limitSeconds: literal(1), atExpiry: 'grade' };
      level.stars = { is: 'ladder', reading: 'score', direction: 'atLeast', thresholds: [literal(50)] };
    };
    expect(run(inGarden({ rules: [bonus], change }), REST, 100).phase).toBe('won');
  });
});

describe('what a rule takes and gives', () => {
  const after = (effect: Effect): ReturnType<typeof run> =>
    run(inGarden({ rules: [rule('r', atLeast('t', { reading: 'timeElapsed' }, 0.5), [effect])] }), REST, 60);

  it.each([
    [1, 3],
    [2, 2],
    [-1, 4],
    [0.6, 3],
    [0.4, 4],
  ])('takes whole lives only: %d leaves %d of 4', (lives, left) => {
    const effect: Effect = { effect: 'loseLife', lives: literal(lives), back: 'stay', resets: [] };
    expect(after(effect).observed.lives).toBe(left);
  });

  it.each(['hurt', 'heal'] as const)('is never the other way round: %s by less than nothing', (effect) => {
    expect(after({ effect, by: literal(-5) }).observed.health).toBe(100);
  });
});

describe('a start in a closed gate', () => {
  const round: Piece = {
    id: 'gate',
    piece: 'gate',
    name: 'Gate',
    at: { x: 2, y: 5 },
    width: 1,
    height: 1,
    open: false,
  };

  it('throws nobody out: the gate is open until the player has left', () => {
    const state = inGarden({ pieces: [round] });
    run(state, REST, 10);
    expect([state.body.x, state.body.y, state.observed.gates[0]]).toEqual([2.5, 5.5, 1]);
    run(state, RIGHT, 60);
    expect(state.observed.gates[0]).toBe(0);
  });

  it('is open for one who is put back into it, too', () => {
    const back = rule('back', atLeast('t', { reading: 'timeElapsed' }, 1.5), [
      { effect: 'loseLife', lives: literal(1), back: 'start', resets: [] },
    ]);
    const state = inGarden({ pieces: [round], rules: [back] });
    run(state, RIGHT, 60);
    run(state, REST, 60);
    expect([state.body.x, state.body.y, state.observed.gates[0]]).toEqual([2.5, 5.5, 1]);
  });
});
