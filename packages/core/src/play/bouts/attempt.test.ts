import { describe, expect, it } from '@jest/globals';
import {
  decideByBout,
  decideByGround,
  levelsNeeding,
  usualBout,
  usualBoutRules,
  usualBoutStars,
} from '../../authoring/edits/index.ts';
import {
  documentOf,
  findReferenceProblems,
  fromParameter,
  literal,
  ProjectDocument,
  projectOf,
  type Condition,
  type LevelBout,
  type Project,
  type Rule,
} from '../../document/model/index.ts';
import { judgeFrames, READINGS } from '../rules/index.ts';
import { after, atLeast, atMost, clover, garden, hiveBouts, is, rule } from '../../testing/index.ts';
import { GAVE_UP, resolveLevel, levelRunner, seedOf, startingJudgeAt } from '../../forecast/trials/index.ts';
import { answered, batchPlayer, bringThere, parameterLine } from '../../forecast/tuning/index.ts';
import { goOnAttempt, makeBoutLevelWorld, startBoutAttempt, type PreparedBoutLevel } from './index.ts';
import { byWeight } from './minds.ts';
import { statistic } from '../../testing/statistic.ts';

const ANTS: LevelBout = { group: 'two-ants', party: [{ fighter: 'bee', level: literal(1) }] };

/** The first level of the garden, decided by a bout. */
function inBout(
  rules: Rule[] = usualBoutRules(),
  bout: LevelBout = ANTS,
  change?: (project: Project) => void,
): Project {
  return garden({
    rules,
    change(project, level) {
      project.bouts = hiveBouts();
      level.bout = bout;
      change?.(project);
    },
  });
}

const BOTH: LevelBout = { group: 'captain', party: [...ANTS.party, { fighter: 'guard', level: literal(1) }] };

const worldOf = (project: Project) => makeBoutLevelWorld(resolveLevel(project, 1) as PreparedBoutLevel);

function played(project: Project, seed = 1) {
  const state = startBoutAttempt(worldOf(project), seed);
  while (state.phase === 'playing') goOnAttempt(state, byWeight);
  return state;
}

const steady = (project: Project) => project.pacers[1]!;

describe('a level that is decided by a bout', () => {
  it('is won when their side is beaten and lost when ours is, and counts as any attempt does', () => {
    const project = inBout(usualBoutRules(), BOTH);
    const game = levelRunner(resolveLevel(project, 1));
    const results = Array.from({ length: 60 }, (_, index) => game.play(steady(project), seedOf(index)));
    const won = results.filter((result) => result.won);
    expect(won.length).toBeGreaterThan(0);
    expect(won.length).toBeLessThan(60);
    for (const result of results) {
      expect(result).toMatchObject({ place: null, collected: 0, endingRule: result.won ? 0 : 1 });
      // Five turns a round at most, two seconds each.
      expect(result.length).toBeLessThanOrEqual(result.rounds! * 5 * 120);
    }
    expect(game.play(steady(project), 7)).toEqual(game.play(steady(project), 7));
  });

  it('goes on in no rule’s name for ever: what no rule ends is given up', () => {
    const project = inBout([rule('never', atLeast('late', { reading: 'rounds' }, 1000), [{ effect: 'win' }])]);
    const result = levelRunner(resolveLevel(project, 1)).play(steady(project), 1);
    expect([result.won, result.endingRule]).toEqual([false, GAVE_UP]);
  });

  it('begins again when a life is lost, and continues to count rounds', () => {
    const loses = rule('again', is('down', { reading: 'sideBeaten', side: 'ours' }), [
      { effect: 'loseLife', lives: literal(1), back: 'start', resets: ['score'] },
    ]);
    const over = rule('over', atMost('no-lives', { reading: 'lives' }, 0), [{ effect: 'lose', cause: 'Out of lives' }]);
    const project = inBout([{ ...loses, fires: 'eachTime' }, over], { ...ANTS, group: 'captain' });
    const state = played(project);
    expect([state.phase, state.observed.lives, state.anew]).toEqual(['lost', 0, 4]);
    expect(state.lastLifeRule).toBe(0);
    expect(state.observed.rounds).toBeGreaterThanOrEqual(4);
    expect(state.told.map(({ rule: index }) => index)).toEqual([0, 0, 0, 0]);
  });

  it('is given up where a rule puts the party back for ever', () => {
    const back = rule('back', is('down', { reading: 'sideBeaten', side: 'ours' }), [{ effect: 'back', to: 'start' }]);
    const project = inBout([{ ...back, fires: 'eachTime' }], { ...ANTS, group: 'captain' }, ({ bouts }) => {
      bouts!.fighters[0]!.statistics['health'] = literal(1);
    });
    const state = played(project);
    expect([state.phase, state.anew]).toEqual(['undecided', 100]);
    expect(levelRunner(resolveLevel(project, 1)).play(steady(project), 1).endingRule).toBe(GAVE_UP);
  });

  it('is judged tick by tick where a condition has to hold', () => {
    const calm = {
      ...is('up', { reading: 'sideBeaten', side: 'theirs' }, false),
      heldSeconds: literal(3),
    } as Condition;
    const held = rule('calm', calm, [{ effect: 'win' }]);
    const state = played(inBout([held]));
    expect([state.phase, state.ticks]).toEqual(['won', 180]);
  });

  it('runs out of time by the turns that it takes', () => {
    const project = inBout(usualBoutRules(), { ...ANTS, group: 'captain' }, ({ levels, bouts }) => {
      levels['clover-steps']!.clock.limitSeconds = literal(5);
      bouts!.turnSeconds = 2;
    });
    const state = played(project);
    expect([state.phase, state.verdicts.ending.rule, state.observed.clockTicks]).toEqual(['lost', -1, 300]);
  });

  it('tells its readings: who has fallen, what is left of a fighter, how many rounds', () => {
    const project = inBout(usualBoutRules(), {
      ...ANTS,
      party: [...ANTS.party, { fighter: 'guard', level: literal(1) }],
    });
    const state = startBoutAttempt(worldOf(project), 3);
    const ant = project.bouts!.fighters.findIndex(({ id }) => id === 'ant');
    const read = () => ({
      health: READINGS.healthShare.read(state.observed, ant),
      rounds: READINGS.rounds.read(state.observed, 0),
      left: state.observed.enemiesLeft.at(-1),
    });
    expect(read()).toEqual({ health: 1, rounds: 0, left: 2 });
    while (state.phase === 'playing') goOnAttempt(state, byWeight);
    expect(state.phase).toBe('won');
    expect(read()).toEqual({ health: 0, rounds: state.bout.round, left: 0 });
    expect(state.observed.sidesBeaten).toEqual([0, 1]);
  });

  it('heals, hurts, scores and counts by its rules', () => {
    const first = atLeast('begun', { reading: 'rounds' }, 1);
    const project = inBout([
      rule('many', first, [
        { effect: 'hurt', by: literal(1000) },
        { effect: 'score', add: literal(40) },
        { effect: 'tally', tally: 'stings', add: literal(2) },
        { effect: 'wave', spawner: 'nest' },
      ]),
      rule('out', is('down', { reading: 'sideBeaten', side: 'ours' }), [{ effect: 'lose', cause: 'Beaten' }]),
    ]);
    const state = played(project);
    expect([state.phase, state.observed.bonus, state.observed.tallies[0], state.observed.fallen]).toEqual([
      'lost',
      40,
      2,
      1,
    ]);
    // Effects that act on a ground do nothing here.
    expect(state.told.map(({ effect }) => effect)).toEqual([0, 1, 2]);
  });

  it('has nothing placed, though its ground is kept: a share of it is a share of nothing', () => {
    const share = { from: 'share', share: literal(0.5), of: 'any', measure: 'worth' } as const;
    const when = { ...atLeast('half', { reading: 'worth', of: 'any' }, 1), amount: share } as Condition;
    const project = inBout([rule('much', when, [{ effect: 'win' }])]);
    project.levels['clover-steps']!.ground.pieces.push(clover('c', 4));
    const asked = (): unknown => (resolveLevel(project, 1).judging.rules[0]!.when as { amount?: number }).amount;
    expect(asked()).toBeCloseTo(0, 9);
    delete project.levels['clover-steps']!.bout;
    expect(asked()).toBe(2);
  });

  it('is judged without playing, too', () => {
    const project = inBout();
    const starting = startingJudgeAt(project, 1);
    const at = (subject: number) =>
      judgeFrames(starting, [{ set: [{ reading: READINGS.sideBeaten, subject, value: 1 }], ticks: 1 }]).verdict;
    expect([at(0), at(1)]).toEqual(['lost', 'won']);
    expect(judgeFrames(starting, []).verdict).toBe('goesOn');
  });

  it('is no other for a number that nothing in it follows', () => {
    const project = inBout();
    const text = (clock: number) => JSON.stringify(resolveLevel(project, 1, { clock }));
    expect(text(10)).toBe(text(20));
    project.bouts!.actions[1]!.formula = 'mine(strength) + clock';
    expect(text(10)).not.toBe(text(20));
  });

  it('is no other for another name of a fighter, and is another for another number', () => {
    const plain = JSON.stringify(resolveLevel(inBout(), 1));
    const renamed = inBout(usualBoutRules(), ANTS, ({ bouts }) => void (bouts!.fighters[2]!.name = 'Emmet'));
    const stronger = inBout(
      usualBoutRules(),
      ANTS,
      ({ bouts }) => void (bouts!.fighters[2]!.statistics['strength'] = literal(13)),
    );
    expect(JSON.stringify(resolveLevel(renamed, 1))).toBe(plain);
    expect(JSON.stringify(resolveLevel(stronger, 1))).not.toBe(plain);
  });

  statistic('is brought to a share by the strength of who is met', () => {
    const project = inBout(usualBoutRules(), BOTH, ({ bouts, parameters }) => {
      parameters.push({
        ...{ key: 'strength', label: 'Strength of the captain', unit: '', number: 'real', pins: {}, note: '' },
        ...{ sane: { min: 5, max: 60 }, ramp: { shape: { type: 'hold', value: 17 } } },
      });
      bouts!.fighters[4]!.statistics['strength'] = fromParameter('strength');
    });
    const parameter = project.parameters.at(-1)!;
    const line = parameterLine(project, 1, parameter);
    const search = bringThere(1, line, { is: 'clearRate', share: 0.8 });
    const { answer } = answered(search, batchPlayer(project, steady(project)));
    expect(answer).not.toBeNull();
    const game = levelRunner(resolveLevel(project, 1, line.values(answer!.at)));
    let won = 0;
    for (let i = 0; i < 4000; i++) if (game.play(steady(project), seedOf(1e6 + i)).won) won++;
    expect(Math.abs(won / 4000 - 0.8)).toBeLessThan(0.03);
  });
});

describe('deciding by a bout or on the ground', () => {
  const demo = garden({
    rules: [rule('much', atLeast('m', { reading: 'worth', of: 'any' }, 3), [{ effect: 'win' }])],
    change(project) {
      project.bouts = hiveBouts();
      for (const each of Object.values(project.levels)) {
        delete each.meetings;
        delete each.bout;
      }
    },
  });
  const level = demo.levels['clover-steps']!;
  const bout = usualBout(demo.bouts!)!;

  it('keeps the ground and its rules, switched off', () => {
    const project = after(demo, decideByBout(demo, level, bout));
    const now = project.levels['clover-steps']!;
    expect(now.ground).toMatchObject(level.ground);
    expect(now.rules.map(({ id, off }) => [id, off ?? false])).toEqual([
      ['much', true],
      ['they-are-beaten', false],
      ['we-are-beaten', false],
    ]);
    expect(now.bout).toEqual({
      group: 'two-ants',
      party: ['bee', 'guard'].map((fighter) => ({ fighter, level: literal(1) })),
    });
    expect(findReferenceProblems(project)).toEqual([]);
    const back = after(project, decideByGround(project, now)).levels['clover-steps']!;
    expect(back.bout).toBeUndefined();
    expect(back.rules).toMatchObject(level.rules);
  });

  it('gives stars by who has fallen, and by rounds to somebody who fights alone', () => {
    const starsOf = (by: typeof bout) => after(demo, decideByBout(demo, level, by)).levels['clover-steps']!.stars;
    expect(starsOf(bout)).toMatchObject({ reading: 'fallen', thresholds: [null, literal(1), literal(0)] });
    const alone = { ...bout, party: bout.party.slice(0, 1) };
    // Venom does 2 × 14 − 6 / 3 = 26, doubled: an ant a round, so two rounds; twice and 1.4 times that.
    expect(starsOf(alone)).toMatchObject({
      ...{ reading: 'rounds', direction: 'atMost', thresholds: [null, literal(4), literal(3)] },
    });
    expect(usualBoutStars(1)).toMatchObject({ thresholds: [null, literal(3), literal(2)] });
  });

  it('needs somebody on either side', () => {
    expect(usualBout({ ...demo.bouts!, groups: [] })).toBeUndefined();
    expect(usualBout({ ...demo.bouts!, fighters: [] })).toBeUndefined();
  });

  it('refuses groups and fighters that are not there, and tells which levels need one', () => {
    const project = after(demo, decideByBout(demo, level, bout));
    expect(levelsNeeding(project, { group: 'two-ants' })).toEqual(['Clover Steps']);
    expect(levelsNeeding(project, { fighter: 'ant' })).toEqual(['Clover Steps']);
    expect(levelsNeeding(project, { group: 'captain' })).toEqual([]);
    project.levels['clover-steps']!.bout = { group: 'nobody', party: [{ fighter: 'ghost', level: literal(1) }] };
    project.levels['clover-steps']!.rules.push(
      rule('low', atMost('l', { reading: 'healthShare', fighter: 'ghost' }, 0.5), [{ effect: 'win' }]),
    );
    expect(findReferenceProblems(projectOf(documentOf(project))).map(({ path }) => path.join('/'))).toEqual([
      'levels/clover-steps/bout/group',
      'levels/clover-steps/bout/party/0/fighter',
      'levels/clover-steps/rules/low/when/reading/fighter',
    ]);
    expect(ProjectDocument.safeParse(documentOf(project)).success).toBe(true);
  });
});
