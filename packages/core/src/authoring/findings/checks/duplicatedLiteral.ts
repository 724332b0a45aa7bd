import { addParameter } from '../../edits/index.ts';
import { memoizeByObject } from '../../../basics/memo/index.ts';
import {
  pointerOf,
  type Amount,
  type Level,
  type Parameter,
  type Project,
  type Reading,
} from '../../../document/model/index.ts';
import type { PatchOperation } from '../../../basics/patch/index.ts';
import { leaves, readingInWords } from '../../../play/rules/index.ts';
import { namesFor } from '../../../play/attempt/index.ts';
import { say, type Check, type Found } from '../finding.ts';

/** Least number of levels in which the same written number could be one parameter. */
const LEAST_LEVELS = 3;
/** Numbers that stand for none or one are no settings. */
const isSetting = (value: number): boolean => Math.abs(value) > 1;

interface Written {
  /** Its purpose and its value: numbers with the same text mean the same. */
  key: string;
  /** The reading that it is compared with; undefined for a time limit. */
  reading?: Reading;
  unit: string;
  number: Parameter['number'];
  value: number;
  levelId: string;
  /** Where it stands in the document, as a pointer. */
  at: string;
}

/** The numbers of a level that are written out, where a parameter would do. */
const writtenIn = memoizeByObject((level: Level): Written[] => {
  const written: Written[] = [];
  const note = (role: string, amount: Amount | null, of: Pick<Written, 'at' | 'unit' | 'number' | 'reading'>): void => {
    if (amount?.from === 'number' && isSetting(amount.value))
      written.push({ ...of, levelId: level.id, key: `${role} ${amount.value}`, value: amount.value });
  };
  const base = ['levels', level.id];
  note('limit', level.clock.limitSeconds, {
    at: pointerOf([...base, 'clock', 'limitSeconds']),
    unit: 'seconds',
    number: 'seconds',
  });
  for (const rule of level.rules)
    for (const { leaf, path } of leaves(rule.when)) {
      if (leaf.is !== 'compare') continue;
      note(`${JSON.stringify(leaf.reading)} ${leaf.comparison}`, leaf.amount, {
        at: pointerOf([...base, 'rules', rule.id, 'when', ...path, 'amount']),
        reading: leaf.reading,
        unit: '',
        number: 'real',
      });
    }
  return written;
});

/** Returns the purpose of a number, as the name of a parameter. */
function wordsFor(project: Project, { reading, levelId }: Written): string {
  if (!reading) return 'Time limit';
  const words = readingInWords(reading, namesFor(project, project.levels[levelId]));
  return `${words.charAt(0).toUpperCase()}${words.slice(1)} asked for`;
}

/** A sane range around one value. */
function rangeAround(value: number): { min: number; max: number } {
  const ends = [value / 2, value * 2];
  return { min: Math.min(...ends), max: Math.max(...ends) };
}

/** Makes one parameter of a number, and lets all places follow it. */
function mendOf(project: Project, first: Written, places: readonly Written[]): PatchOperation[] {
  const { unit, number, value } = first;
  const { key, patch } = addParameter(project, wordsFor(project, first).slice(0, 60));
  const made = patch.map((operation): PatchOperation => {
    if (operation.op !== 'add' || !operation.path.startsWith('/parameters/')) return operation;
    const entry = operation.value as Record<string, unknown>;
    return {
      ...operation,
      value: { ...entry, unit, number, sane: rangeAround(value), ramp: { shape: { type: 'hold', value } } },
    };
  });
  return [
    ...made,
    ...places.map(({ at }) => ({
      op: 'replace' as const,
      path: at,
      value: { from: 'parameter', parameter: key },
    })),
  ];
}

/** One number that is written in several levels for the same thing. */
export const duplicatedLiteral: Check<'project'> = {
  code: 'duplicated-literal',
  title: 'One number in many levels',
  group: 'sameness',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project }) {
    const byValue = new Map<string, Written[]>();
    for (const level of Object.values(project.levels))
      for (const entry of writtenIn(level)) {
        const places = byValue.get(entry.key);
        if (places) places.push(entry);
        else byValue.set(entry.key, [entry]);
      }
    return [...byValue.values()].flatMap((places): Found[] => {
      const levels = new Set(places.map(({ levelId }) => levelId));
      const [first] = places;
      const slot = project.slots.find(({ levelId }) => levelId === first?.levelId);
      if (levels.size < LEAST_LEVELS || !first || !slot) return [];
      return [
        {
          slotId: slot.id,
          path: first.at,
          sentence: `${wordsFor(project, first)}: ${say(first.value)} is written in ${levels.size} levels.`,
          reason: 'As one parameter it could be changed, or ramped, in one place.',
          mend: { label: 'Make it one parameter', patch: mendOf(project, first, places) },
        },
      ];
    });
  },
};
