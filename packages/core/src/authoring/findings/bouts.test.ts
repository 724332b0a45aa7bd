import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Bouts, type Level, type Project } from '../../document/model/index.ts';
import { usualBoutRules, usualBoutStars } from '../edits/index.ts';
import { after, garden } from '../../testing/index.ts';
import { findingsOf, type Finding, type FindingCode } from './index.ts';

type Change = (bouts: Bouts, level: Level, project: Project) => void;

/** The first level decided by a bout against two ants. */
function sound(change: Change = () => undefined): Project {
  return garden({
    rules: usualBoutRules(),
    change(project, level) {
      level.bout = {
        group: 'ants',
        party: ['bee', 'hive-guard'].map((fighter) => ({ fighter, level: literal(3) })),
      };
      level.stars = usualBoutStars();
      change(project.bouts!, level, project);
    },
  });
}

const keyOf = ({ code, slotId, path }: Finding): string => `${code} ${slotId} ${path}`;
const before = new Set(findingsOf(sound()).map(keyOf));
const news = (project: Project): Finding[] => findingsOf(project).filter((finding) => !before.has(keyOf(finding)));
const fighter = (bouts: Bouts, id: string): Bouts['fighters'][number] => bouts.fighters.find((each) => each.id === id)!;
const action = (bouts: Bouts, id: string): Bouts['actions'][number] => bouts.actions.find((each) => each.id === id)!;
const statistic = (bouts: Bouts, id: string, key: string, value: number): void =>
  void (fighter(bouts, id).statistics[key] = literal(value));

/** For each class, a change that brings it, and a similar one that does not. */
const CASES: Record<FindingCode, { brings: Change; beside: Change }> = {
  'cannot-be-hurt': {
    brings: (bouts) =>
      ['guard', 'ward'].forEach((key) =>
        ['sting', 'venom-sting', 'shove'].forEach((id) => {
          action(bouts, id).formula = 'max(0, mine(strength) - theirs(guard))';
          statistic(bouts, 'ant', key, 900);
        }),
      ),
    beside: (bouts) => statistic(bouts, 'ant', 'guard', 900),
  },
  'one-hit-ends-it': {
    brings: (bouts) => statistic(bouts, 'bee', 'health', 2),
    beside: (bouts) => statistic(bouts, 'bee', 'health', 60),
  },
  'bout-without-end': {
    brings: (bouts) => {
      for (const { id } of bouts.actions) action(bouts, id).chance = 0;
    },
    beside: (bouts) => {
      for (const { id } of bouts.actions) action(bouts, id).chance = 0.5;
    },
  },
  'weights-of-nothing': {
    brings: (bouts) => void (fighter(bouts, 'wasp-captain').uses = { sting: { weight: 1, belowHealth: 0.5 } }),
    beside: (bouts) =>
      void (fighter(bouts, 'wasp-captain').uses = {
        sting: { weight: 1, belowHealth: 0.5 },
        shove: { weight: 1, aboveHealth: 0.5 },
      }),
  },
  'action-never-used': {
    brings: (bouts) => void bouts.actions.push({ ...action(bouts, 'bite'), id: 'nip', name: 'Nip' }),
    beside: (bouts) => {
      bouts.actions.push({ ...action(bouts, 'bite'), id: 'nip', name: 'Nip' });
      fighter(bouts, 'ant').uses['nip'] = { weight: 0.1 };
    },
  },
  'experience-stalls': {
    brings: (_bouts, level) =>
      meets(level, 1, (bouts) => void (fighter(bouts, 'ant').gives!.experience = literal(1)), _bouts),
    beside: (_bouts, level) =>
      meets(level, 1, (bouts) => void (fighter(bouts, 'ant').gives!.experience = literal(2)), _bouts),
  },
  'meetings-rare': {
    brings: (bouts, level) => meets(level, 0.9, () => undefined, bouts),
    beside: (bouts, level) => meets(level, 1, () => undefined, bouts),
  },
  'drop-nobody-sees': {
    brings: (bouts) => void (fighter(bouts, 'wasp-captain').gives!.things = [{ name: 'Amber', chance: 0.01 }]),
    beside: (bouts) => void (fighter(bouts, 'wasp-captain').gives!.things = [{ name: 'Amber', chance: 0.2 }]),
  },
};

function meets(level: Level, many: number, change: (bouts: Bouts) => void, bouts: Bouts): void {
  delete level.bout;
  level.meetings = { groups: { ants: 1 }, many: literal(many), mayWithdraw: true, whenLost: 'goOn' };
  change(bouts);
}

describe('findings of bouts', () => {
  it.each(Object.entries(CASES))('%s is found, and not beside it', (code, { brings, beside }) => {
    expect(news(sound(brings)).map((finding) => finding.code)).toContain(code);
    expect(news(sound(beside)).map((finding) => finding.code)).not.toContain(code);
  });

  it('looks at nothing that lies on the ground of a level decided by a bout', () => {
    const codes = findingsOf(sound()).flatMap(({ code, path }) => (path.includes('clover-steps') ? [code] : []));
    expect(codes).toEqual([]);
  });

  it('tells of what reads a bout where there is none', () => {
    const project = sound((_bouts, level) => void delete level.bout);
    expect(news(project).map(({ code }) => code)).toContain('goal-unreachable');
  });

  it('mends what can be mended, and brings nothing else by it', () => {
    for (const code of ['action-never-used', 'meetings-rare'] as const) {
      const project = sound(CASES[code]!.brings);
      const finding = news(project).find((each) => each.code === code)!;
      const mended = after(project, finding.mend);
      expect(news(mended).filter((each) => each.code in CASES)).toEqual([]);
    }
  });

  it('mends meetings that are farther apart than the way is long, where one might come', () => {
    const project = sound((_bouts, level) => {
      delete level.bout;
      level.meetings = {
        ...{ groups: { ants: 1 }, many: literal(3), every: literal(500), mayWithdraw: true, whenLost: 'goOn' },
      };
    });
    const finding = news(project).find(({ code }) => code === 'meetings-rare')!;
    expect(finding.reason).toMatch(/^There is one in 500 units of way, and the way is about \d+ long\.$/);
    const mended = after(project, finding.mend);
    expect(news(mended).some(({ code }) => code === 'meetings-rare')).toBe(false);
  });

  it('is quick to say nothing of a game without bouts', () => {
    const { bouts: _bouts, ...project } = homeBeforeDusk();
    for (const level of Object.values(project.levels)) {
      delete level.meetings;
      delete level.bout;
    }
    expect(findingsOf(project).filter(({ code }) => code in CASES)).toEqual([]);
  });
});
