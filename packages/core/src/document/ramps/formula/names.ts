import type { LiveAxis, Parameter } from '../../model/index.ts';
import { READING_NAME } from './compile.ts';
import { nearest } from './nearest.ts';
import { parseFormula } from './parse.ts';
import type { FormulaError, NameUse } from './types.ts';

/** Names that every formula knows, in the order in which they are offered. */
export const OWN_NAMES = {
  level: 'the position of the level, from 1',
  levels: 'how many levels the sequence has',
  tier: 'which tier this is, from 1',
} as const;

/** The names in a formula, each once, in the order met; none where it cannot be read. */
export function namesIn(text: string): string[] {
  const parsed = parseFormula(text);
  return parsed.ok ? [...new Set(parsed.names.map(({ name }) => name))] : [];
}

/** The first name that stands for nothing. @param what it would be the name of */
function unknownName(uses: readonly NameUse[], known: readonly string[], what: string): FormulaError | undefined {
  const wrong = uses.find(({ name }) => !known.includes(name));
  if (!wrong) return undefined;
  const { name, column } = wrong;
  const meant = nearest(name, known);
  const message = `There is no ${what} called ${name}${meant === undefined ? '.' : `; did you mean ${meant}?`}`;
  return { column, length: name.length, message };
}

/** Returns the error in the formula of an action: its writing, or a name of no statistic and no parameter. */
export function actionFormulaError(
  text: string,
  statistics: readonly string[],
  keys: readonly string[],
): FormulaError | undefined {
  const parsed = parseFormula(text);
  if (!parsed.ok) return parsed.error;
  return (
    unknownName(parsed.statistics, statistics, 'statistic') ??
    unknownName(parsed.names, [...Object.keys(OWN_NAMES), ...keys], 'parameter')
  );
}

/** Returns the error in a formula: its writing, or an unknown name. */
export function formulaError(text: string, keys: readonly string[], axis?: LiveAxis): FormulaError | undefined {
  const parsed = parseFormula(text);
  if (!parsed.ok) return parsed.error;
  const [statistic] = parsed.statistics;
  if (statistic) {
    const { column, name } = statistic;
    return { column, length: name.length, message: 'Statistics of fighters stand in the formulas of actions only.' };
  }
  const known = [...Object.keys(OWN_NAMES), ...(axis === undefined ? [] : [READING_NAME]), ...keys];
  return unknownName(parsed.names, known, 'parameter');
}

/** The names that are not a parameter's own, so that a key never hides one. */
const isOwn = (name: string): boolean => Object.hasOwn(OWN_NAMES, name) || name === READING_NAME;

/** Parameters whose formulas go round in a circle, each circle once, as keys in its order. */
export function cyclesOf(parameters: readonly Pick<Parameter, 'key' | 'ramp'>[]): string[][] {
  const names = new Map(
    parameters.flatMap(({ key, ramp: { shape } }) =>
      shape.type === 'formula' ? [[key, namesIn(shape.text).filter((name) => !isOwn(name))] as const] : [],
    ),
  );
  const cycles: string[][] = [];
  const done = new Set<string>();
  const visit = (key: string, path: readonly string[]): void => {
    const at = path.indexOf(key);
    if (at >= 0) return void cycles.push(path.slice(at));
    if (done.has(key)) return;
    for (const name of names.get(key) ?? []) if (names.has(name)) visit(name, [...path, key]);
    done.add(key);
  };
  for (const key of names.keys()) visit(key, []);
  return cycles;
}
