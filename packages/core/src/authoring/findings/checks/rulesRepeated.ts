import { addStanding } from '../../edits/index.ts';
import { namesFor } from '../../../play/attempt/index.ts';
import { memoizeByObject } from '../../../basics/memo/index.ts';
import { pointerOf, type Project, type Rule } from '../../../document/model/index.ts';
import { conditionInWords, endingOfRule } from '../../../play/rules/index.ts';
import { plain } from '../conditions.ts';
import type { Check, Found, Mend } from '../finding.ts';

/** Share of the levels, and least number of levels, beyond which a rule could stand for all. */
const SHARE = 0.6;
const LEAST_LEVELS = 4;

interface Place {
  levelId: string;
  rule: Rule;
}

/** Does a rule name what only one level has? */
const namesPieces = memoizeByObject(({ when, then }: Rule): boolean =>
  /"(zone|latch|gate|piece|spawner|at)":/.test(JSON.stringify([when, then])),
);
const plainRule = memoizeByObject((rule: Rule): string => plain(rule));

/** Makes one standing rule of them; the levels that do not have it switch it off. */
function mendOf(project: Project, places: readonly Place[]): Mend {
  const [first] = places;
  const having = new Set(places.map(({ levelId }) => levelId));
  const { patch } = addStanding(project, [(first as Place).rule], '');
  const added = patch.find((operation) => operation.op === 'add' && operation.path.startsWith('/standing/'));
  const id = added?.path.split('/')[2] ?? '';
  const others = Object.values(project.levels).filter((level) => !having.has(level.id));
  return {
    label: 'Make it a standing rule',
    patch: [
      ...patch,
      ...places.map(({ levelId, rule }) => ({
        op: 'remove' as const,
        path: pointerOf(['levels', levelId, 'rules', rule.id]),
      })),
      ...others.map((level) => ({
        op: 'add' as const,
        path: pointerOf(['levels', level.id, 'standingRulesOff', id]),
        value: true,
      })),
    ],
  };
}

/** The same rule, written in most levels. */
export const rulesRepeated: Check<'project'> = {
  code: 'rules-repeated',
  title: 'A rule repeated in most levels',
  group: 'sameness',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project }) {
    const levels = Object.values(project.levels);
    const byText = new Map<string, Place[]>();
    for (const level of levels)
      for (const rule of level.rules) {
        // How a level is won is its own.
        const isOwn = namesPieces(rule) || endingOfRule(rule) === 'won';
        if (rule.off === true || rule.replaces !== undefined || isOwn) continue;
        const text = plainRule(rule);
        const places = byText.get(text) ?? [];
        // Two equal rules in one level are another finding.
        if (!places.some(({ levelId }) => levelId === level.id))
          byText.set(text, [...places, { levelId: level.id, rule }]);
      }
    return [...byText.values()].flatMap((places): Found[] => {
      const [first] = places;
      const slot = project.slots.find(({ levelId }) => levelId === first?.levelId);
      if (!first || !slot || places.length < LEAST_LEVELS || places.length < SHARE * levels.length) return [];
      const words = conditionInWords(first.rule.when, namesFor(project, undefined));
      return [
        {
          slotId: slot.id,
          path: pointerOf(['levels', first.levelId, 'rules', first.rule.id, 'when']),
          sentence: `${places.length} of ${levels.length} levels have the same rule.`,
          reason: `As a standing rule it would be written once: ${words}.`,
          mend: mendOf(project, places),
        },
      ];
    });
  },
};
