import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../../exchange/demo/index.ts';
import { atLeast, demoOnGrounds, rule } from '../../../testing/index.ts';
import { literal, type Amount, type Condition, type Project } from '../../../document/model/index.ts';
import { PERFECT_PACER } from '../../../forecast/pacers/index.ts';
import { wilson } from '../../../basics/stats/index.ts';
import { GAVE_UP, packWins } from '../../../forecast/trials/index.ts';
import {
  withoutEchoes,
  evidenceIn,
  EVIDENCE_CHECKS,
  FINDING_CLASSES,
  type AttemptsSeen,
  type Finding,
  type FindingCode,
} from '../index.ts';

/** Attempts at one slot, as they may come out. Half of the wins earn two stars, half three. */
function seen(clearRate: number, change: Partial<AttemptsSeen> = {}, attempts = 400): AttemptsSeen {
  const cleared = Math.round(clearRate * attempts);
  const half = Math.floor(cleared / 2);
  return {
    attempts,
    clearRate,
    interval: wilson(cleared, attempts),
    wins: packWins(Array.from({ length: attempts }, (_, index) => index < cleared)),
    medianSeconds: cleared > 0 ? 20 : null,
    stars: [0, 0, half, cleared - half, 0, 0],
    endings: cleared < attempts ? [{ rule: 0, lifeRule: 1, count: attempts - cleared }] : [],
    crowd: { x: 5, y: 5, count: Math.round((attempts - cleared) / 10), of: attempts - cleared },
    ...change,
  };
}

interface Case {
  pacer?: string;
  slot?: number;
  attempts: AttemptsSeen;
  before?: AttemptsSeen;
  /** At all other slots. */
  others?: AttemptsSeen;
  change?: (project: Project) => void;
}

function codesOf({ pacer = 'steady', slot = 10, attempts, before, others, change }: Case): FindingCode[] {
  const project = demoOnGrounds();
  for (const each of project.slots) delete each.wanted;
  change?.(project);
  const slots = new Map(others ? project.slots.map(({ id }) => [id, others]) : []);
  slots.set(`slot-${slot}`, attempts);
  if (before) slots.set(`slot-${slot - 1}`, before);
  return evidenceIn(project, new Map([[pacer, slots]])).flatMap(({ code, slotId }) =>
    slotId === `slot-${slot}` ? [code] : [],
  );
}

const flawless = { pacer: PERFECT_PACER.id, slot: 10 };
const wanted = (value: number) => (project: Project) => void (project.slots[9]!.wanted = value);
const endings = (own: number, other: number) => ({
  endings: [
    { rule: 0, lifeRule: 1, count: own },
    { rule: 0, lifeRule: 2, count: other },
  ],
});
const spawner = (firstAfter: number) => (project: Project) => {
  const level = project.levels[project.slots[9]!.levelId]!;
  level.ground.pieces.push({
    ...{ id: 'late', piece: 'spawner', kind: 'hornet', at: { x: 5.5, y: 5.5 }, starts: 'load', safeDistance: 4 },
    ...{ howMany: literal(1), firstAfterSeconds: literal(firstAfter), everySeconds: literal(5) },
  });
};

/** Makes the level be won by gathering a number of pieces. */
const wins = (amount: Amount) => (project: Project) => {
  const level = project.levels[project.slots[9]!.levelId]!;
  const when = { ...atLeast('enough', { reading: 'collected', of: 'any' }, 0), amount } as Condition;
  level.rules = [rule('won', when, [{ effect: 'win' }])];
};

/** For each class, attempts that show it, and similar ones that do not. */
const CASES: Partial<Record<FindingCode, { shows: Case; beside: Case }>> = {
  'no-ending': {
    shows: { attempts: seen(0.9, { endings: [{ rule: GAVE_UP, lifeRule: -2, count: 40 }], wins: undefined }) },
    beside: { attempts: seen(0.9) },
  },
  'off-wanted': {
    shows: { attempts: seen(0.9), change: wanted(0.7) },
    beside: { attempts: seen(0.9), change: wanted(0.88) },
  },
  wall: {
    shows: { attempts: seen(0.6), before: seen(0.9) },
    beside: { attempts: seen(0.7), before: seen(0.9) },
  },
  dip: {
    shows: { attempts: seen(0.95), before: seen(0.7) },
    beside: { attempts: seen(0.75), before: seen(0.7) },
  },
  trivial: {
    shows: { pacer: 'novice', attempts: seen(1) },
    beside: { pacer: 'novice', attempts: seen(0.98) },
  },
  hopeless: {
    shows: { pacer: 'sharp', attempts: seen(0.01) },
    beside: { pacer: 'sharp', attempts: seen(0.08) },
  },
  'star-too-rare': {
    shows: { attempts: seen(0.9, { stars: [0, 0, 359, 1, 0, 0] }) },
    beside: { attempts: seen(0.9, { stars: [0, 0, 350, 10, 0, 0] }) },
  },
  'star-too-common': {
    shows: { attempts: seen(0.9, { stars: [0, 0, 20, 340, 0, 0] }) },
    beside: { attempts: seen(0.9, { stars: [0, 0, 40, 320, 0, 0] }) },
  },
  'milestone-never-fires': {
    // Snail Shell: the standing rules, its way to win, and the hive that calls.
    shows: { attempts: seen(0.9, { fired: [400, 400, 400, 400, 400, 0] }) },
    beside: { attempts: seen(0.9, { fired: [400, 400, 400, 400, 400, 1] }) },
  },
  'one-cause': {
    shows: { attempts: seen(0.5, endings(185, 15)) },
    beside: { attempts: seen(0.5, endings(170, 30)) },
  },
  'losses-crowd': {
    shows: { attempts: seen(0.5, { crowd: { x: 5, y: 5, count: 110, of: 200 } }) },
    beside: { attempts: seen(0.5, { crowd: { x: 5, y: 5, count: 90, of: 200 } }) },
  },
  'never-gathered': {
    shows: {
      attempts: seen(0.9, { neverGathered: [2] }),
      change: wins({ from: 'placed', of: 'any', measure: 'count' }),
    },
    // A piece that nobody needs is there to choose from.
    beside: { attempts: seen(0.9, { neverGathered: [2] }), change: wins(literal(1)) },
  },
  'run-ends-early': {
    // Twelve lost tries in a row: about one of fourteen at a clear rate of 20 %.
    shows: { slot: 12, attempts: seen(0.5), others: seen(0.2) },
    beside: { slot: 12, attempts: seen(0.5), others: seen(0.25) },
  },
  'enemy-never-touches': {
    shows: { pacer: 'novice', slot: 1, attempts: seen(0.9, { fired: [400, 0, 40, 0, 0, 0] }) },
    beside: { pacer: 'novice', slot: 1, attempts: seen(0.9, { fired: [400, 1, 40, 1, 1, 1] }) },
  },
  'fastest-beyond-clock': {
    shows: { ...flawless, attempts: seen(0, { endings: [{ rule: -1, lifeRule: -2, count: 400 }] }) },
    beside: { ...flawless, attempts: seen(0.01, { endings: [{ rule: -1, lifeRule: -2, count: 396 }] }) },
  },
  'star-nobody-earns': {
    shows: { ...flawless, attempts: seen(1, { stars: [0, 0, 400, 0, 0, 0] }) },
    beside: { ...flawless, attempts: seen(1, { stars: [0, 0, 399, 1, 0, 0] }) },
  },
  'number-without-effect': {
    shows: { attempts: seen(0.9), change: spawner(61) },
    beside: { attempts: seen(0.9), change: spawner(50) },
  },
};

describe('every class that rests on attempts', () => {
  const codes = FINDING_CLASSES.filter(({ source }) => source === 'attempts').map(({ code }) => code);

  it('has a check and is tried here', () => {
    expect(EVIDENCE_CHECKS.map(({ code }) => code).toSorted()).toEqual(codes.toSorted());
    expect(Object.keys(CASES).toSorted()).toEqual(codes.toSorted());
  });

  it.each(Object.entries(CASES) as [FindingCode, { shows: Case; beside: Case }][])('%s', (code, { shows, beside }) => {
    expect(codesOf(shows)).toContain(code);
    expect(codesOf(beside)).not.toContain(code);
    // Half as many attempts say nothing.
    const few = Math.floor(shows.attempts.attempts / 2) - 1;
    expect(codesOf({ ...shows, attempts: { ...shows.attempts, attempts: few } })).toEqual([]);
  });

  it('says nothing of a star at which something graver is known', () => {
    const attempts = seen(1, { stars: [0, 0, 400, 0, 0, 0] });
    const found = evidenceIn(demoOnGrounds(), new Map([[PERFECT_PACER.id, new Map([['slot-10', attempts]])]]));
    expect(found.map(({ code }) => code)).toEqual(['star-nobody-earns']);
    const beside = { ...found[0]!, code: 'star-out-of-order' } as const;
    expect(withoutEchoes([{ ...beside, severity: 'surely wrong' }], found)).toEqual([]);
    expect(withoutEchoes([{ ...beside, severity: 'doubtful' }], found)).toEqual(found);
  });

  it('says an enemy never touches anybody only of the least able players', () => {
    const attempts = seen(0.9, { fired: [400, 0, 40, 0, 0, 0] });
    expect(codesOf({ slot: 1, attempts })).not.toContain('enemy-never-touches');
  });

  it('is not said again where another finding at the level says it better', () => {
    const found = evidenceIn(demoOnGrounds(), new Map([['steady', new Map([['slot-10', seen(0.3)]])]]));
    const [first] = found;
    const as = (code: FindingCode, slotId = 'slot-10') => ({ ...first!, code, slotId, path: `/${code}` });
    const codesLeft = (...list: ReturnType<typeof as>[]) => withoutEchoes([], list).map(({ code }) => code);
    expect(codesLeft(as('off-wanted'), as('dip'), as('wall'))).toEqual(['off-wanted']);
    expect(codesLeft(as('off-wanted'), as('hopeless'), as('one-cause'))).toEqual(['hopeless']);
    expect(codesLeft(as('off-wanted'), as('dip', 'slot-11'))).toEqual(['off-wanted', 'dip']);
  });

  it('is not said of a level that cannot be won or lost as it should, but is of one with a wrong star', () => {
    const found = evidenceIn(demoOnGrounds(), new Map([['steady', new Map([['slot-10', seen(0.3)]])]]));
    const at = (code: FindingCode, severity: Finding['severity'], slotId = 'slot-10'): Finding => ({
      ...FINDING_CLASSES.find((each) => each.code === code)!,
      ...{ severity, slotId, path: '/elsewhere', sentence: '', reason: '' },
    });
    expect(found.length).toBeGreaterThan(0);
    expect(withoutEchoes([at('target-beyond-placed', 'stops play')], found)).toEqual([]);
    expect(withoutEchoes([at('target-beyond-placed', 'stops play', 'slot-9')], found).length).toBeGreaterThan(0);
    expect(withoutEchoes([at('star-unreachable', 'surely wrong')], found).length).toBeGreaterThan(0);
    expect(withoutEchoes([at('piece-unreachable', 'doubtful')], found).length).toBeGreaterThan(0);
  });

  it('of a bout tells on how many it rests, and which one shows it', () => {
    const project = homeBeforeDusk();
    project.slots[13]!.wanted = 0.95;
    const lost = { endings: [{ rule: GAVE_UP, lifeRule: -2, count: 200 }] };
    const found = evidenceIn(project, new Map([['steady', new Map([['slot-14', seen(0.5, lost)]])]]));
    expect(found.find(({ code }) => code === 'off-wanted')?.evidence).toEqual({
      ...{ attempts: 400, pacer: 'steady', shows: 200 },
    });
    const unended = found.find(({ code }) => code === 'no-ending')!;
    expect(unended.reason).toMatch(/no rule had ended the level/);
    // All attempts there come to an end when they are played: none shows it.
    expect(unended.evidence).toEqual({ attempts: 400, pacer: 'steady' });
  });

  it('tells on how many attempts it rests, and which one shows it', () => {
    const project = demoOnGrounds();
    project.slots[9]!.wanted = 0.95;
    const [finding] = evidenceIn(project, new Map([['steady', new Map([['slot-10', seen(0.5)]])]]));
    // The first 200 are won: the first lost one is the 201st.
    expect(finding).toMatchObject({ code: 'off-wanted', evidence: { attempts: 400, pacer: 'steady', shows: 200 } });
  });
});
