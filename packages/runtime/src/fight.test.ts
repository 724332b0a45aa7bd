import { describe, expect, it } from '@jest/globals';
import {
  attemptByHand,
  makeBoutLevelWorld,
  meetNow,
  startOnWay,
  type Choice,
  type PreparedBoutLevel,
  type Turn,
  type WithBouts,
} from '@stadion/core/play/bouts';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { HandOff, handOffOf } from '@stadion/core/exchange/formats';
import { literal } from '@stadion/core/document/model';
import { drawAt } from '@stadion/core/basics/random';
import { meetingsAt, resolveLevel } from '@stadion/core/forecast/trials';
import { openFights, type FightTurn } from './fight.ts';
import { openHandOff } from './index.ts';

const project = homeBeforeDusk();
const json = JSON.parse(JSON.stringify(handOffOf(project))) as HandOff;
const game = openHandOff(json);
const fights = openFights(json);

/** A turn without its number of the action, which only one of both knows. */
const plain = ({ round, actor, struck }: Turn | FightTurn) => [
  ...[round, actor],
  ...struck.map(({ target, hits, amount, left, falls }) => [target, hits, amount, left, falls]),
];

describe('a fight that a game plays', () => {
  it.each([3, 10, 14, 23])('at level %d goes as Stadion plays it, choice by choice, to the same end', (position) => {
    const world = makeBoutLevelWorld(resolveLevel(project, position) as PreparedBoutLevel);
    for (let seed = 1; seed <= 12; seed++) {
      const given: Choice[] = [];
      const fight = fights.fight(position, seed);
      const judge = game.level(position).judge();
      const turns: FightTurn[] = [...fight.opening];
      judge.firstMove();
      let frame = judge.tick(fight.readings, fight.secondsOf(fight.opening));
      while (fight.asks && !frame.ended) {
        const own = attemptByHand(world, seed, given).asks!;
        expect(fight.asks.options.map(({ target }) => target)).toEqual(own.options.map(({ target }) => target));
        const option = Math.floor(drawAt(seed, 1, given.length) * own.options.length);
        const { use, target } = own.options[option]!;
        given.push({ use, target });
        const next = fight.choose(option);
        turns.push(...next);
        frame = judge.tick(fight.readings, fight.secondsOf(next));
      }
      const { attempt, turns: ours } = attemptByHand(world, seed, given);
      expect(turns.map(plain)).toEqual(ours.map(plain));
      expect([frame.ended?.result, frame.ended?.stars]).toEqual([attempt.phase, attempt.verdicts.stars]);
      expect(judge.reading('rounds')).toBe(attempt.observed.rounds);
    }
  });

  it('begins again after a lost life with the draws that Stadion gives it', () => {
    const other = homeBeforeDusk();
    other.levels['hedge-and-ditch']!.rules[1]!.then = [
      { effect: 'loseLife', lives: literal(1), back: 'start', resets: [] },
    ];
    other.levels['hedge-and-ditch']!.rules[1]!.fires = 'eachTime';
    const world = makeBoutLevelWorld(resolveLevel(other, 14) as PreparedBoutLevel);
    const handed = JSON.parse(JSON.stringify(handOffOf(other))) as HandOff;
    const [level, fight] = [openHandOff(handed).level(14), openFights(handed).fight(14, 3)];
    const judge = level.judge();
    const given: Choice[] = [];
    let ended: string | undefined;
    let lost = 0;
    while (ended === undefined) {
      const { use, target } = attemptByHand(world, 3, given).asks!.options[0]!;
      given.push({ use, target });
      const turns = fight.choose(0);
      if (turns.length === 0) continue;
      const frame = judge.tick(fight.readings, fight.secondsOf(turns));
      ended = frame.ended?.result;
      if (!frame.fired.some(({ effects }) => effects.some(({ effect }) => effect === 'loseLife'))) continue;
      lost++;
      fight.again();
      ended ??= judge.tick(fight.readings, 1 / 60).ended?.result;
    }
    const { attempt } = attemptByHand(world, 3, given);
    expect(lost).toBeGreaterThan(0);
    expect([ended, lost, judge.reading('rounds')]).toEqual([attempt.phase, attempt.anew, attempt.observed.rounds]);
  });

  it('tells harm before it is done', () => {
    const fight = fights.fight(14, 1);
    // The bee at level 4 has 18 strength, the captain 12 guard: 18 − 12 / 3 = 14, a fifth more or less.
    expect(fight.harm(0, 'sting', 2)).toEqual({ least: 11, mean: 14, most: 17, hits: 10 });
    expect(() => fight.harm(0, 'roar', 2)).toThrow('There is no action “roar”.');
    expect(fight.fighters.map(({ name, ours }) => [name, ours])).toEqual([
      ['Bee', true],
      ['Hive guard', true],
      ['Wasp captain', false],
      ...Array.from({ length: 3 }, () => ['Ant', false]),
    ]);
  });

  it('may be one that is met on the way, by a party at a level', () => {
    const { groups } = json.slots['slot-7']!.meetings!;
    const fight = fights.fight(7, 5, { ours: [fights.member('bee', 12)], theirs: groups['ants']!.theirs });
    expect(fight.fighters.map(({ name, left }) => [name, left])).toEqual([
      ['Bee', 123],
      ['Ant', 30],
      ['Ant', 30],
    ]);
    while (fight.asks) fight.choose(0);
    expect(fight.phase).toBe('won');
    expect(fight.choose(0)).toEqual([]);
    expect(fight.again().length + fight.fighters.length).toBeGreaterThan(2);
    expect(fight.readings).toMatchObject({ fallen: 0, 'sideBeaten.theirs': false });
  });

  it.each([
    ['so far from each other', { every: literal(7) }],
    ['as many as is said', {}],
    ['at zones', { zones: ['hive'] }],
  ])('is met on the way where Stadion says, by the same seed: %s', (_case, change) => {
    const own = homeBeforeDusk() as WithBouts;
    const level = own.levels[own.slots[6]!.levelId]!;
    level.meetings = { ...level.meetings!, ...change };
    const handed = openFights(JSON.parse(JSON.stringify(handOffOf(own))));
    const { on } = meetingsAt(own, level, level.meetings, 7);
    for (let seed = 1; seed <= 20; seed++) {
      const [way, inZone] = [startOnWay(seed), on.zones[0] ?? 0];
      const inside = (now: boolean) => Object.assign([], { [inZone]: Number(now) }) as number[];
      const met = handed.meetings(7, seed);
      for (let distance = 0; distance < 60; distance += 0.5) {
        const there = met.meet({ distance, 'inside.hive': distance > 40 });
        const here = meetNow(on, way, { distance, inside: inside(distance > 40) });
        expect(there && [there.seed, there.group]).toEqual(here && [here.seed, ['ants', 'ant-patrol'][here.group]]);
      }
      expect(way.met).toBe('zones' in change ? 1 : 2);
    }
    expect(handed.meetings(1, 1).meet({ distance: 1000 })).toBe(null);
    expect(() => handed.meetings(99, 1)).toThrow('The sequence has no position 99: it has 24.');
  });

  it('says a word where there is none', () => {
    expect(() => fights.fight(99, 1)).toThrow('The sequence has no position 99: it has 24.');
    expect([game.level(1).isFight, game.level(14).isFight]).toEqual([false, true]);
    expect(() => fights.fight(1, 1)).toThrow('Nobody is fought at position 1.');
    expect(() => fights.member('moth', 1)).toThrow('Nobody of the party is called “moth”.');
    const fight = fights.fight(14, 1);
    expect(() => fight.choose(99)).toThrow('There is no option 99.');
    const { bouts: _bouts, ...without } = json;
    expect(() => openFights(without)).toThrow('This game has no fights.');
  });
});

describe('fights in the hand-off', () => {
  it('hold no number that a file cannot: experience ends where a level is never left', () => {
    const other = homeBeforeDusk();
    other.bouts!.experience = { type: 'formula', text: '40 / (3 - level)' };
    const handed = JSON.parse(JSON.stringify(handOffOf(other))) as HandOff;
    expect(handed.bouts!.experience).toEqual([20, 40]);
    expect(HandOff.safeParse(handed).success).toBe(true);
  });

  it('are made once for as long as nothing of them changes', () => {
    const again = { ...project, name: 'Another name' };
    expect(handOffOf(again).bouts).toBe(handOffOf(project).bouts);
    const pinned = homeBeforeDusk();
    const parameters = pinned.parameters.map((each) => ({ ...each, pins: { ...each.pins, 'slot-1': 7 } }));
    expect(handOffOf({ ...pinned, parameters }).bouts).not.toBe(handOffOf(pinned).bouts);
  });

  it('are of the form that its schema tells', () => {
    expect(HandOff.safeParse(json).success).toBe(true);
    expect(json.slots['slot-14']!.readings).toEqual(expect.arrayContaining(['sideBeaten.ours', 'sideBeaten.theirs']));
    expect(json.bouts!.experience.slice(0, 3)).toEqual([40, 62, 84]);
    expect(json.slots['slot-10']!.bout!.theirs.map(({ id }) => id)).toEqual([
      'soldier-ant',
      'soldier-ant',
      'ant',
      'ant',
    ]);
  });
});
