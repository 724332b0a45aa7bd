import { briefOf, namesFor, resolvingAt } from '@stadion/core/play/attempt';
import { findingsOf } from '@stadion/core/authoring/findings';
import { prepareLevel } from '@stadion/core/play/movement';
import type { Level, Parameter, Project, Rule } from '@stadion/core/document/model';
import { rampTable, wantedAt } from '@stadion/core/document/ramps';
import {
  amountInWords,
  conditionInWords,
  effectInWords,
  resolveAmount,
  rulesOf,
  type Names,
} from '@stadion/core/play/rules';
import { looksAt, sceneOf, type Mark } from '@stadion/core/play/scene';
import { checksOf, failing } from '../checks.ts';

/** Known clear rate of a slot, with its interval. Shares. */
interface KnownRate {
  clearRate: number;
  low: number;
  high: number;
}

/** Known clear rates, by slot id. */
export type Rates = ReadonlyMap<string, KnownRate>;

/** Sheet of one level, for a team to read. */
export interface LevelSheet {
  position: number;
  name: string;
  brief: string;
  tier: string;
  note: string;
  rules: string[];
  clock: string;
  stars: string;
  endings: string[];
  /** Parameters by name, as they are here. */
  numbers: { label: string; value: string }[];
  findings: string[];
  wanted: string;
  rate: string;
  picture: { marks: Mark[]; width: number; height: number };
}

/** Sheet of the whole sequence, for a team to read. */
export interface Sheets {
  name: string;
  levels: LevelSheet[];
  ramps: { label: string; unit: string; values: number[]; first: string; last: string; note: string }[];
  /** Checks that fail. */
  failing: string[];
}

const plain = (value: number): string => String(Number(value.toPrecision(4)));
const percent = (share: number): string => `${plain(share * 100)} %`;
const valueOf = ({ number, unit }: Pick<Parameter, 'number' | 'unit'>, value: number): string =>
  `${number === 'share' ? percent(value) : plain(value)}${unit === 'count' || unit === '' ? '' : ` ${unit}`}`;

const capital = (text: string): string => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;

/** A rule in one sentence. */
function ruleInWords(rule: Rule, names: Names): string {
  const when = conditionInWords(rule.when, names);
  const win = rule.then.some(({ effect }) => effect === 'win');
  const lose = rule.then.find((effect) => effect.effect === 'lose');
  const others = rule.then
    .filter(({ effect }) => effect !== 'win' && effect !== 'lose')
    .map((one) => effectInWords(one, names));
  const then = others.length > 0 ? `; then it ${others.join(', ')}` : '';
  if (win) return `Won when ${when}${then}.`;
  if (lose) return `Lost (${lose.cause}) when ${when}${then}.`;
  const often = { once: 'Once', eachTime: 'Each time', every: 'Again and again while' }[rule.fires];
  return `${often} ${when}: ${others.join(', ')}.`;
}

function starsInWords({ stars }: Level, names: Names): string {
  if (stars.is === 'conditions')
    return stars.conditions
      .map((one, index) => `${'★'.repeat(index + 1)} ${one ? conditionInWords(one, names) : 'cleared'}`)
      .join('; ');
  const word = stars.direction === 'atLeast' ? 'at least' : 'at most';
  const reading =
    { timeLeft: 'seconds left', timeElapsed: 'seconds', worth: names.words.worth }[stars.reading as string] ??
    stars.reading;
  return stars.thresholds
    .map(
      (one, index) => `${'★'.repeat(index + 1)} ${one ? `${word} ${amountInWords(one, names)} ${reading}` : 'cleared'}`,
    )
    .join('; ');
}

const STARTS = {
  load: 'from the start',
  firstMove: 'from the first move',
  condition: 'once its condition holds',
} as const;
const EXPIRES = { lose: 'it is lost', win: 'it is won', grade: 'it is won with a star, else lost' } as const;

function sheetOf(project: Project, position: number, findings: string[], rate: KnownRate | undefined): LevelSheet[] {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!level) return [];
  const names = namesFor(project, level);
  const { values, placed } = resolvingAt(project, level, position);
  const { clock } = level;
  const limit = clock.limitSeconds && resolveAmount(clock.limitSeconds, values, placed);
  const warns = clock.warnAtSeconds && resolveAmount(clock.warnAtSeconds, values, placed);
  const ends = (side: 'won' | 'lost'): string => level.ending[side].message;
  const wanted = wantedAt(project, position);
  return [
    {
      position,
      name: level.name,
      brief: briefOf(project, level, () => ({ values, placed })),
      tier: project.tiers.findLast(({ from }) => from <= position)?.name ?? '',
      note: level.note ?? '',
      rules: rulesOf(project, level).map(({ rule }) => ruleInWords(rule, names)),
      clock:
        limit === null
          ? 'No limit.'
          : `${plain(limit)} s ${STARTS[clock.starts]}${warns === null ? '' : `, warns at ${plain(warns)} s`}; then ${EXPIRES[clock.atExpiry]}.`,
      stars: starsInWords(level, names),
      endings: (['won', 'lost'] as const).flatMap((side) =>
        ends(side) === '' ? [] : [`${capital(side)}: “${ends(side)}”`],
      ),
      numbers: project.parameters.map((parameter) => ({
        label: parameter.label,
        value: valueOf(parameter, values[parameter.key] ?? 0),
      })),
      findings,
      wanted: wanted === undefined ? '' : percent(wanted),
      rate: rate ? `${percent(rate.clearRate)} (${percent(rate.low)} to ${percent(rate.high)})` : '',
      picture: {
        marks: sceneOf(prepareLevel(project, position), looksAt(project, level.ground)),
        width: level.ground.rows[0]?.length ?? 1,
        height: level.ground.rows.length,
      },
    },
  ];
}

/** The sheets of a project. */
export function sheetsOf(project: Project, rates: Rates = new Map()): Sheets {
  const findings = findingsOf(project);
  const table = rampTable(project);
  return {
    name: project.name,
    levels: project.slots.flatMap(({ id }, index) =>
      sheetOf(
        project,
        index + 1,
        findings.filter(({ slotId }) => slotId === id).map(({ sentence, reason }) => `${sentence} ${reason}`.trim()),
        rates.get(id),
      ),
    ),
    ramps: project.parameters.map((parameter) => {
      const values = [...(table.rows.get(parameter.key)?.values ?? [])];
      return {
        label: parameter.label,
        unit: parameter.unit,
        values,
        first: valueOf(parameter, values[0] ?? 0),
        last: valueOf(parameter, values.at(-1) ?? 0),
        note: parameter.note ?? '',
      };
    }),
    failing: failing(checksOf(project, new Map(), findings)),
  };
}
