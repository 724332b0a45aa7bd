import { readingAt, type CaseVerdict, type EdgeCase, type Frame, ticksToSeconds } from '@stadion/core/play/rules';
import { subjectsOf } from '@stadion/core/play/attempt';
import { type Condition, type Expectation, type ReadingName } from '@stadion/core/document/model';
import { causeInWords, eachCondition, READINGS, readingInWords } from '@stadion/core/play/rules';
import { formatNumber, formatPercent } from '../ui/index.ts';
import { insertEntry, type NamedEdit } from '@stadion/core/authoring/edits';
import { mintId } from '../store/mintId.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { lengthLimits } from './lengths.ts';

const PLACES: Readonly<Record<EdgeCase['place'], string>> = {
  below: 'just below',
  at: 'at',
  above: 'just above',
  zero: 'at zero',
  everything: 'with everything',
  off: 'not so',
  on: 'so',
  heldTooBriefly: 'a tick too briefly',
  heldExactly: 'just long enough',
  coincides: 'in the same tick',
};

/** A reading's number as people write it, in the unit of its sentence. */
export function valueInWords(reading: ReadingName, value: number, here: LevelContext): string {
  switch (READINGS[reading].unit) {
    case 'seconds':
      return `${formatNumber(value, 2)} s`;
    case 'length': {
      const { scale, unit } = lengthLimits(here.project);
      return `${formatNumber(value * scale, 3)} ${unit}`;
    }
    case 'share':
      return formatPercent(value);
    case 'on/off':
      return value === 0 ? 'no' : 'yes';
    default:
      return formatNumber(value, 2);
  }
}

/** One line of a table of edge cases. */
export interface EdgeRow {
  key: string;
  what: string;
  value: string;
  place: string;
  verdict: string;
  tone: 'won' | 'lost' | 'goesOn';
  outcome: CaseVerdict;
  frames: Frame[];
}

/** A verdict in words, for an ending rule or for a milestone. */
export function verdictInWords(outcome: CaseVerdict, fires: boolean | undefined, here: LevelContext): string {
  if (outcome.verdict === 'won') return `won${outcome.stars > 0 ? ` ${'★'.repeat(outcome.stars)}` : ', no star'}`;
  if (outcome.verdict === 'lost') {
    const rule = here.rules[outcome.rule]?.rule;
    return `lost${rule ? `: ${causeInWords(rule, here.names)}` : ': time'}`;
  }
  return fires === undefined ? 'goes on' : fires ? 'fires, goes on' : 'does not fire';
}

/** A rule's edge cases as lines. @param ending does the rule end the attempt? */
export function edgeRows(cases: readonly EdgeCase[], when: Condition, ending: boolean, here: LevelContext): EdgeRow[] {
  const byId = new Map<string, Condition>();
  eachCondition(when, (condition) => byId.set(condition.id, condition));
  return cases.map((edge, index) => {
    const condition = byId.get(edge.condition);
    const reading = condition && 'reading' in condition ? condition.reading : undefined;
    const other = here.rules[edge.other]?.rule;
    const held = edge.place === 'heldTooBriefly' || edge.place === 'heldExactly';
    return {
      key: `${index}`,
      what:
        edge.place === 'coincides'
          ? `with: ${other ? causeInWords(other, here.names) : 'the clock runs out'}`
          : reading
            ? `${readingInWords(reading, here.names)}${held ? ', held' : ''}`
            : '',
      value:
        edge.place === 'coincides'
          ? ''
          : held
            ? `${formatNumber(edge.value, 3)} s`
            : reading
              ? valueInWords(reading.reading, edge.value, here)
              : '',
      place: PLACES[edge.place],
      verdict: verdictInWords(edge.outcome, ending ? undefined : edge.fires, here),
      tone: edge.outcome.verdict,
      outcome: edge.outcome,
      frames: edge.frames,
    };
  });
}

const nameOf = (definition: unknown): ReadingName =>
  (Object.entries(READINGS).find(([, entry]) => entry === definition)?.[0] ?? 'score') as ReadingName;

/** A line's case, as it is kept and found again. */
const caseInWords = ({ what, value, place }: EdgeRow): string => `${what}${value === '' ? '' : ` ${value}`}, ${place}`;

/** Keeps a line as something the judge is held to from now on. */
export function keepExpectation(here: LevelContext, row: EdgeRow): NamedEdit {
  const { project, level, slotId } = here;
  const subjects = subjectsOf(project, level);
  const words = caseInWords(row);
  const expectation: Expectation = {
    id: mintId(`kept-${slotId}`, new Set(project.expectations.map((entry) => entry.id))),
    is: 'verdict',
    slotId,
    words,
    frames: row.frames.map((frame) => ({
      set: frame.set.flatMap(({ reading, subject, value }) => {
        const named = readingAt(nameOf(reading), subject, subjects);
        return named ? [{ reading: named, value }] : [];
      }),
      seconds: ticksToSeconds(frame.ticks),
    })),
    verdict: row.outcome.verdict,
  };
  return {
    label: `Expect at ${level.name}: ${words}`,
    patch: insertEntry(['expectations'], project.expectations, expectation),
  };
}

/** Is this line already kept? */
export const isKept = (here: LevelContext, row: EdgeRow): boolean => {
  const words = caseInWords(row);
  return here.project.expectations.some(
    (entry) => entry.is === 'verdict' && entry.slotId === here.slotId && entry.words === words,
  );
};
