import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { after, demoOnGrounds, depth } from '../../testing/index.ts';
import { literal, type Project } from '../../document/model/index.ts';
import { findingsAt, findingsOf, type Finding } from './index.ts';

const mended = (project: Project, finding: Finding): Project => after(project, finding.mend);

describe('the demo', () => {
  it('contains one of each, where its honest mistakes are', () => {
    const found = findingsOf(homeBeforeDusk()).map(({ code, slotId, severity }) => [code, slotId, severity]);
    expect(found).toEqual([
      ['star-unreachable', 'slot-7', 'surely wrong'],
      ['implied-condition', 'slot-9', 'doubtful'],
      ['already-true', 'slot-11', 'stops play'],
      ['message-too-short', 'slot-13', 'doubtful'],
      ['idle-effect', 'slot-16', 'doubtful'],
      ['pin-far-off', 'slot-16', 'doubtful'],
      ['target-beyond-placed', 'slot-17', 'stops play'],
      ['rules-alike', 'slot-18', 'doubtful'],
      ['ramp-never-reaches-cap', 'slot-19', 'doubtful'],
      ['path-through-wall', 'slot-20', 'doubtful'],
      ['path-through-wall', 'slot-22', 'doubtful'],
      ['drop-nobody-sees', 'slot-23', 'doubtful'],
      ['end-never-reached', 'slot-24', 'doubtful'],
    ]);
  });

  it.each([7, 9, 11, 13, 17, 18, 19, 24])('is mended at slot %d by its button', (position) => {
    const project = homeBeforeDusk();
    const [finding] = findingsAt(project, position);
    expect(findingsAt(mended(project, finding!), position)).toEqual([]);
  });
});

describe('target beyond placed', () => {
  // The Greedy Bee has 11 clover, 6 lavender and a royal bloom: 44 + 54 + 26 = 124.
  it.each([
    ['just within', 124, 0],
    ['just beyond', 125, 1],
  ])('is %s at %d', (_case, asked, count) => {
    const project = homeBeforeDusk();
    const rule = project.levels['the-greedy-bee']!.rules[0]!;
    const [condition] = rule.when.is === 'all' ? rule.when.of : [];
    if (condition?.is === 'compare') condition.amount = literal(asked);
    expect(findingsAt(project, 17)).toHaveLength(count);
  });

  it('gives its numbers', () => {
    expect(findingsAt(homeBeforeDusk(), 17)[0]!.reason).toBe(
      'It takes 132 nectar gathered, and 124 are on the ground.',
    );
  });
});

describe('a ramp that leaves its sane range', () => {
  it('is brought back together with its pins', () => {
    const project = homeBeforeDusk();
    const beetles = project.parameters.find(({ key }) => key === 'beetles')!;
    beetles.sane.max = 4;
    const outside = (each: Project): Finding[] =>
      findingsOf(each).filter(({ code }) => code === 'ramp-leaves-sane-range');
    const [finding, ...others] = outside(project);
    expect(others).toEqual([]);
    expect(outside(mended(project, finding!))).toEqual([]);
  });
});

describe('a target beyond what is placed', () => {
  it('is mended by asking for less, or by placing more where there is room', () => {
    const [finding] = findingsAt(homeBeforeDusk(), 17);
    // 8 of nectar are missing: two clovers of 4.
    expect([finding!.mend?.label, finding!.orMend?.label]).toEqual(['Ask for all 124', 'Place 2 more of Clover']);
    const next = after(homeBeforeDusk(), finding!.orMend);
    expect(findingsAt(next, 17)).toEqual([]);
    const { pieces } = next.levels['the-greedy-bee']!.ground;
    expect(pieces.filter((piece) => piece.piece === 'collectable' && piece.kind === 'clover')).toHaveLength(13);
  });
});

describe('star unreachable', () => {
  // Lavender Bank's clock: 48 − 1 × ⌊(7 − 3) / 2⌋ = 46 s.
  it.each([
    [45, []],
    [46, ['It takes 46 s left, and a win leaves 45.98 s at most.']],
    [47, ['It takes 47 s left, and the clock gives 46 s in all.']],
  ])('asking for %d of 46 s is found with its reason', (asked, reasons) => {
    const project = homeBeforeDusk();
    const { stars } = project.levels['lavender-bank']!;
    if (stars.is === 'ladder') stars.thresholds[2] = literal(asked);
    expect(findingsAt(project, 7).map(({ reason }) => reason)).toEqual(reasons);
  });
});

describe('already true', () => {
  it('sees a loss that comes at once', () => {
    const project = homeBeforeDusk();
    project.run.livesAtStart = literal(0);
    expect(findingsAt(project, 1).map(({ code, sentence }) => [code, sentence])).toEqual([
      ['already-true', 'The level is lost before the player has moved.'],
    ]);
  });

  it('leaves a condition alone that must be held first', () => {
    const project = homeBeforeDusk();
    const rule = project.levels['sunlit-ponds']!.rules[0]!;
    const [condition] = rule.when.is === 'all' ? rule.when.of : [];
    if (condition?.is === 'compare') condition.heldSeconds = literal(2);
    expect(findingsAt(project, 11)).toEqual([]);
  });
});

describe('an empty project', () => {
  it('has nothing to find', () => {
    expect(findingsOf({ ...homeBeforeDusk(), slots: [], levels: {} })).toEqual([]);
  });
});

describe('a tight gap of a section', () => {
  it('is reported with the name of its section', () => {
    const project = homeBeforeDusk();
    const { ground } = project.levels['midday-meadow']!;
    if (!('sections' in ground)) throw new Error('no run');
    const wide = ground.sections.find(({ name }) => name === 'A wide gap')!;
    // At 5.9 units/s a jump of 1.9 at gravity 34 crosses 5 units with the edge's grace and the body's width.
    wide.rows = wide.rows.map((row, y) => (y < 8 ? row : '########.....#########'));
    project.player.moves.run!.speed = literal(5.9);
    const found = (jumpHeight: number): string[] => {
      project.player.moves.run!.jumpHeight = literal(jumpHeight);
      return findingsAt(structuredClone(project), 8).flatMap(({ code, reason }) =>
        code === 'tight-gap' ? [reason] : [],
      );
    };
    const heights = Array.from({ length: depth(16, 4) }, (_, step) => 1.9 + step * depth(0.02, 0.08));
    const reasons = heights.flatMap(found);
    expect(reasons.length).toBeGreaterThan(0);
    for (const reason of reasons)
      expect(reason).toMatch(/^The gap of 5 cells at column 9 of “A wide gap” forgives \d+ ms/);
    expect(found(2.8)).toEqual([]);
  });
});

describe('a tight gap', () => {
  // A jump of 1.6 at gravity 30 lasts 40 ticks, 3.3 units at 5 units/s; the body reaches 0.3 over each edge.
  const withPit = (wide: number): Project => {
    const project = demoOnGrounds();
    const { ground } = project.levels['hedge-and-ditch']!;
    const floor = `${'#'.repeat(12)}${'.'.repeat(wide)}${'#'.repeat(18 - wide)}`;
    ground.rows = ground.rows.map((_row, y) => (y < 10 ? '.'.repeat(30) : floor));
    project.player.moves.leap = {
      ...project.player.moves.leap!,
      gravity: literal(30),
      jumpHeight: literal(1.6),
      edgeGraceSeconds: literal(0),
    };
    return project;
  };
  const tight = (wide: number): string[] =>
    findingsAt(withPit(wide), 14).flatMap(({ code, reason }) => (code === 'tight-gap' ? [reason] : []));

  it('is doubted where it forgives less than 50 ms, not where it forgives more', () => {
    const widths = [1, 2, 3, 4, 5];
    const found = widths.filter((wide) => tight(wide).length > 0);
    // 3.9 units in all: three cells forgive 0.18 s; four cannot be jumped.
    expect(found).toEqual([]);
    const project = withPit(4);
    project.player.moves.leap!.jumpHeight = literal(1.75);
    const [finding] = findingsAt(project, 14).filter(({ code }) => code === 'tight-gap');
    expect(finding).toMatchObject({ severity: 'doubtful', slotId: 'slot-14', path: '/levels/hedge-and-ditch/ground' });
    expect(finding?.reason).toMatch(/^The gap of 4 cells at column 13 forgives (17|33) ms to one who comes running\.$/);
  });
});
