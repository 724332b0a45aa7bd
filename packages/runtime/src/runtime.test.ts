import { describe, expect, it } from '@jest/globals';
import { startAttempt, step } from '@stadion/core/play/attempt';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { exportSlot, HandOff, handOffOf } from '@stadion/core/exchange/formats';
import { makeWorld, prepareLevel } from '@stadion/core/play/movement';
import { literal, type Project } from '@stadion/core/document/model';
import { valuesAt } from '@stadion/core/document/ramps';
import { eachCondition, READINGS, readingName } from '@stadion/core/play/rules';
import { enterAttempt, playthroughPlanOf, startPlaythrough } from '@stadion/core/play/playthrough';
import { depth } from '../../core/src/testing/index.ts';
import { HandOffError, openHandOff, type Judge } from './index.ts';
import { drawing, randomProject } from './testing/randomRules.ts';

const OWN = new Set(['score', 'lives', 'health', 'tries', 'timeLeft', 'timeElapsed', 'tally']);
const TICKS = 110;
/** Counts of the events in random attempts, to show that they cover something. */
const seen = { fired: 0, won: 0, lost: 0 };

/** Reading names by the id of the condition that looks at them. */
function readingsByCondition(project: Project): Map<string, string> {
  const names = new Map<string, string>();
  const level = project.levels['clover-steps']!;
  const conditions = [
    ...level.rules.map(({ when }) => when),
    ...(level.clock.startsWhen ? [level.clock.startsWhen] : []),
    ...(level.stars.is === 'conditions' ? level.stars.conditions.flatMap((one) => one ?? []) : []),
  ];
  for (const condition of conditions)
    eachCondition(condition, (one) => {
      if ('reading' in one) names.set(one.id, readingName(one.reading));
    });
  return names;
}

/** Plays one attempt in Stadion and shows its readings to the runtime, tick for tick; throws where they part. */
function compareOne(seed: number): void {
  const draw = drawing(seed);
  const project = randomProject(draw);
  const names = readingsByCondition(project);
  const world = makeWorld(prepareLevel(project, 1));
  const state = startAttempt(world, seed);
  const level = openHandOff(JSON.parse(JSON.stringify(handOffOf(project)))).level(1);
  const judge: Judge = level.judge();
  const shown: Record<string, number> = {};
  let input = 0;
  for (let tick = 1; tick <= TICKS && state.phase === 'playing'; tick++) {
    if (draw(8) === 0) input = draw(33);
    step(state, input);
    for (const node of world.judge.nodes) {
      const name = 'name' in node ? names.get(node.id) : undefined;
      if (name !== undefined && 'name' in node && !OWN.has(node.name))
        shown[name] = state.verdicts.numbers[node.index]!;
    }
    if (input !== 0) judge.firstMove();
    const frame = judge.tick(shown, 1 / 60);
    const { verdicts, observed } = state;
    const due = verdicts.due.slice(0, verdicts.dueCount).map((index) => world.level.judging.rules[index]!.id);
    const { ending } = verdicts;
    const dial = level.data.changing.indexOf('nestRest');
    const here = {
      fired: frame.fired.map(({ rule }) => rule),
      ended: frame.ended && [frame.ended.result, frame.ended.rule, frame.stars],
      elapsed: Math.round(frame.clock.elapsed * 60),
      own: ['lives', 'health', 'tally.stings', 'score'].map((name) => judge.reading(name)),
      nestRest: judge.value('nestRest'),
    };
    const there = {
      fired: due,
      ended: verdicts.ended
        ? [ending.result, world.level.judging.rules[ending.rule]?.id ?? null, verdicts.stars]
        : null,
      elapsed: observed.clockTicks,
      own: [observed.lives, observed.health, observed.tallies[0], READINGS.score.read(observed, 0)],
      nestRest: dial < 0 ? level.values['nestRest'] : state.dials[dial],
    };
    seen.fired += due.length;
    if (verdicts.ended) seen[ending.result]++;
    // A comparison of text is a hundred times as quick as one of Jest.
    if (JSON.stringify(here) !== JSON.stringify(there))
      expect({ seed, tick, ...here }).toEqual({ seed, tick, ...there });
  }
}

describe('the runtime', () => {
  it('judges random sets of rules as Stadion does, tick for tick', () => {
    for (let seed = 1; seed <= depth(1000, 120); seed++) compareOne(seed);
    expect([seen.fired > depth(2000, 240), seen.won > depth(300, 36), seen.lost > depth(300, 36)]).toEqual([
      true,
      true,
      true,
    ]);
  });

  const demo = homeBeforeDusk();
  const game = openHandOff(handOffOf(demo));

  it('opens what the demo hands over, which its schema describes', () => {
    expect(HandOff.safeParse(JSON.parse(JSON.stringify(handOffOf(demo)))).success).toBe(true);
    expect(game).toMatchObject({ name: 'Home Before Dusk', length: 24 });
    expect(game.level(7)).toMatchObject({ id: 'slot-7', name: 'Lavender Bank', values: { hornetSpeed: 2.55 } });
  });

  it('refuses what is no hand-off, or of another version, with the reason', () => {
    expect(() => openHandOff('{}')).toThrow(
      new HandOffError('This is no hand-off: “format” must be "stadion-hand-off".'),
    );
    expect(() => openHandOff({ ...handOffOf(demo), version: 9 })).toThrow(/version 9; this runtime reads version 1/);
    expect(() => openHandOff({ format: 'stadion-hand-off', version: 1 })).toThrow(/no slots/);
    expect(() => game.level(25)).toThrow(RangeError);
  });

  it('tells which readings a level looks at, refuses others, and says which were never shown', () => {
    const level = game.level(7);
    expect(level.readings).toContain('worth.any');
    const judge = level.judge();
    expect(judge.missing).toContain('inside.hive');
    judge.tick({ 'inside.hive': false, 'worth.any': 3 }, 1 / 60);
    expect(judge.missing).not.toContain('inside.hive');
    expect(() => judge.tick({ 'worht.any': 3 }, 1 / 60)).toThrow(/no reading “worht.any”. This level reads/);
  });

  it('wins with enough nectar and half a second at home, whatever the frame rate is', () => {
    const ends = [30, 60, 144, 50].map((rate) => {
      const judge = game.level(7).judge();
      judge.firstMove();
      let seconds = 0;
      for (let frame = 0; frame < rate * 3; frame++) {
        const { ended } = judge.tick({ 'worth.any': 200, 'inside.hive': true, 'touching.hornet': false }, 1 / rate);
        seconds += 1 / rate;
        if (ended) return [ended.result, ended.rule, Math.abs(seconds - 0.5) < 1 / 30 + 1e-6];
      }
      return undefined;
    });
    expect(ends).toEqual(ends.map(() => ['won', 'won', true]));
  });

  it('takes a life each time a hornet touches, tells what that brings, and loses without lives', () => {
    const judge = game.level(1).judge({ lives: 2 });
    const touch = (on: boolean) => judge.tick({ 'touching.hornet': on }, 1 / 60);
    expect(touch(true).fired).toEqual([
      { rule: 'hornet-touch', effects: [{ effect: 'loseLife', lives: 1, back: 'checkpoint', resets: [] }] },
    ]);
    expect(judge.reading('lives')).toBe(1);
    expect(touch(true).fired).toEqual([]);
    touch(false);
    touch(true);
    expect(touch(true).ended).toMatchObject({ result: 'lost', rule: 'out-of-lives', cause: 'Out of lives' });
  });

  it('gives numbers of a level as milestones have turned them', () => {
    const judge = game.level(16).judge();
    const before = judge.number('/kinds/enemies/hornet/speed');
    for (let i = 0; i < 13 * 60; i++) judge.tick({}, 1 / 60);
    expect(judge.number('/kinds/enemies/hornet/speed')).toBeCloseTo(before * 1.7, 9);
    expect(judge.value('hornetSpeed')).toBeCloseTo(game.level(16).values['hornetSpeed']! * 1.7, 9);
    expect(judge.number('/player/radius')).toBe(0.3);
  });

  it('takes the numbers of a level that was changed meanwhile, and keeps what milestones have turned', () => {
    const project = homeBeforeDusk();
    const pins = project.parameters.find(({ key }) => key === 'hornetSpeed')!.pins;
    const at = (position: number) => openHandOff(handOffOf(structuredClone(project))).level(position);
    const [plain, turned] = [at(7).judge(), at(16).judge()];
    for (let i = 0; i < 13 * 60; i++) turned.tick({}, 1 / 60);
    const before = turned.number('/kinds/enemies/hornet/speed');
    pins['slot-7'] = 1.9;
    pins['slot-16'] = 1.9;
    plain.retune(at(7));
    turned.retune(at(16));
    expect([plain.number('/kinds/enemies/hornet/speed'), plain.value('hornetSpeed')]).toEqual([1.9, 1.9]);
    expect(turned.number('/kinds/enemies/hornet/speed')).toBe(before);
    // Now a milestone changes it, which it did not when the attempt began.
    project.levels['lavender-bank']!.rules.push({
      id: 'faster',
      when: { id: 'f', is: 'all', of: [] },
      then: [{ effect: 'parameter', parameter: 'hornetSpeed', change: 'times', by: { from: 'number', value: 2 } }],
      fires: 'once',
    });
    plain.retune(at(7));
    expect(plain.number('/kinds/enemies/hornet/speed')).toBe(1.9);
  });

  it('follows a ramp along a reading', () => {
    const project = homeBeforeDusk();
    const speed = project.parameters.find(({ key }) => key === 'hornetSpeed')!;
    speed.ramp = { axis: 'score', shape: { type: 'steps', from: 2, add: 0.5, every: 100, startingAt: 100 } };
    speed.pins = {};
    const level = openHandOff(handOffOf(project)).level(3);
    expect([0, 99, 100, 240].map((score) => level.value('hornetSpeed', { score }))).toEqual([2, 2, 2, 2.5]);
    expect(level.value('clock')).toBe(level.values['clock']);
  });
});

describe('levels past the last one', () => {
  const project = homeBeforeDusk();
  project.run.afterLast = 'goOn';
  const game = openHandOff(JSON.stringify(handOffOf(project)));

  it('have the numbers that the ramps go on to', () => {
    for (const position of [25, 40, 24 * 5]) {
      const level = game.level(position);
      expect({ ...level.data }).toEqual(exportSlot(project, position));
      expect(level.values).toEqual(valuesAt(project, position));
      const judge = level.judge();
      expect(judge.number('/clock/limitSeconds')).toBe(exportSlot(project, position)!.clock.limitSeconds);
    }
    expect(game.level(31).values['hornetSpeed']).not.toBe(game.level(7).values['hornetSpeed']);
  });

  it('keep those of the last round that is written', () => {
    expect(game.level(24 * 9 + 7).values).toEqual(game.level(24 * 4 + 7).values);
    expect(game.level(24 * 9 + 7).position).toBe(24 * 9 + 7);
  });
});

describe('a run of the runtime', () => {
  it.each(['startOver', 'goOn'] as const)(
    'goes as the ledger says, and goes on from what was saved: %s',
    (afterLast) => {
      const demo = homeBeforeDusk();
      demo.run = { ...demo.run, afterLast, unlock: { by: 'stars', perSlot: literal(0.25) } };
      const game = openHandOff(handOffOf(demo));
      const plan = playthroughPlanOf(demo);
      let state = startPlaythrough(plan, 1);
      let run = game.run();
      const draw = drawing(5);
      for (let i = 0; i < 120 && !state.over; i++) {
        const won = draw(10) < 7;
        const entry = {
          stars: won ? 1 + draw(3) : 0,
          score: draw(200),
          collected: draw(20),
          livesLost: draw(3),
          tallies: {},
        };
        const row = enterAttempt(plan, state, { result: won ? 'won' : 'lost', ...entry }, 1);
        state = row.after;
        const after = run.after({ won, ...entry });
        expect([i, after.event, after.position, after.saved.tallies]).toEqual([
          i,
          row.event,
          state.position,
          state.tallies,
        ]);
        run = game.run(JSON.parse(JSON.stringify(after.saved)));
      }
    },
  );

  it('opens what is won, and what enough stars open', () => {
    const run = openHandOff(handOffOf(homeBeforeDusk())).run();
    expect([run.position, run.opens(1), run.opens(2), run.opens(99)]).toEqual([1, true, false, false]);
    expect(run.after({ won: true, stars: 3, score: 80 })).toMatchObject({ event: 'next', position: 2 });
    expect(run.opens(2)).toBe(true);
    expect(run.tallies).toMatchObject({ stars: 3, score: 80 });
  });
});
