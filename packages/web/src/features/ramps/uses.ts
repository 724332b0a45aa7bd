import {
  type Amount,
  idOf,
  positionOf,
  usesOfParameter,
  type Item,
  type Parameter,
  type Project,
} from '@stadion/core/document/model';
import { valuesAt } from '@stadion/core/document/ramps';
import { resolveAmount } from '@stadion/core/play/rules';
import { placedOn } from '@stadion/core/play/attempt';

/** One number of the project that follows a parameter. */
export interface Use {
  /** The use, in words. */
  words: string;
  /** The calculation with the parameter's value, in words; empty where there is none. @example '× 0.8 + 0.4' */
  made: string;
  /** The resulting number and its level; undefined for a milestone that changes the parameter. */
  value?: number;
  at: number;
  /** The slot at which it can be looked at. */
  slotId: string | undefined;
}

/** @example 'everySeconds' → 'every' */
const spoken = (name: string): string =>
  name
    .replace(/(Seconds|Units)$/, '')
    .replaceAll(/([A-Z])/g, ' $1')
    .toLowerCase();

/** Returns the value at a path of the document; entries of collections are found in their lists by their ids. */
function entryAt(project: Project, path: readonly (string | number)[]): unknown {
  return path.reduce<unknown>((value, part) => {
    if (Array.isArray(value) && typeof part === 'string') return (value as Item[]).find((item) => idOf(item) === part);
    return (value as Record<string | number, unknown> | undefined)?.[part];
  }, project);
}

/** The last word of a path that names something. */
const lastName = (path: readonly (string | number)[]): string =>
  spoken(String(path.findLast((part) => typeof part === 'string' && part !== 'share' && part !== 'amount') ?? ''));

function wordsOf(project: Project, path: readonly (string | number)[]): string {
  const [part, second, third, fourth] = path;
  switch (part) {
    case 'kinds': {
      const kind = entryAt(project, path.slice(0, 3)) as { name?: string } | undefined;
      return `${kind?.name ?? String(second)}: ${lastName(path)}`;
    }
    case 'player':
      return `${project.words.player}: ${lastName(path)}`;
    case 'parameters': {
      const parameter = entryAt(project, path.slice(0, 2)) as Parameter | undefined;
      return `Formula of ${parameter?.label ?? ''}`;
    }
    case 'levels': {
      const level = project.levels[String(second)]?.name ?? String(second);
      if (third === 'rules') return `${level}: a rule`;
      if (third === 'ground') {
        const piece = entryAt(project, path.slice(0, 5)) as { piece?: string } | undefined;
        return `${level}: ${piece?.piece ?? 'piece'}, ${lastName(path)}`;
      }
      return `${level}: ${spoken(String(third))}${typeof fourth === 'string' ? `, ${spoken(fourth)}` : ''}`;
    }
    case 'slots':
      return `Star gate of level ${positionOf(project, String(second))}`;
    case 'standing':
      return 'A standing rule';
    default:
      return `${spoken(String(part))}: ${lastName(path)}`;
  }
}

const isAmount = (part: unknown): part is Amount => typeof part === 'object' && part !== null && 'from' in part;

/** All that uses a parameter, with what each comes to: for what stands in a level, at the first slot of that level. @param position of the selected slot */
export function usesInWords(project: Project, parameter: Parameter, position: number): Use[] {
  const valuesBy = new Map<number, ReturnType<typeof valuesAt>>();
  const valuesHere = (at: number) => {
    const known = valuesBy.get(at) ?? valuesAt(project, at);
    valuesBy.set(at, known);
    return known;
  };
  return usesOfParameter(project, parameter.key).map(({ path, levelId }) => {
    const here = project.slots[position - 1]?.levelId === levelId;
    const first = project.slots.findIndex((slot) => slot.levelId === levelId) + 1;
    const at = levelId === undefined || here || first === 0 ? position : first;
    const slot = project.slots[at - 1];
    const level = project.levels[slot?.levelId ?? ''];
    // A share of what is placed names the parameter one step deeper.
    const parent = path.at(-1) === 'share' ? path.slice(0, -1) : path;
    const source = entryAt(project, parent);
    const words = wordsOf(project, path);
    if (!isAmount(source) || !level) return { words, made: '', at, slotId: slot?.id };
    const values = valuesHere(at);
    const { times = 1, plus = 0 } = source.from === 'parameter' ? source : {};
    const made = [
      times === 1 ? '' : `× ${times}`,
      plus === 0 ? '' : `${plus < 0 ? '−' : '+'} ${Math.abs(plus)}`,
      source.from === 'share' ? 'of what is placed' : '',
    ];
    const value = resolveAmount(source, values, placedOn(project, level, values));
    return { words, made: made.filter((part) => part !== '').join(' '), value, at, slotId: slot?.id };
  });
}
