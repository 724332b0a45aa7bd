import { entryOf, numbersOf, pointerOf, type Parameter, type Project } from '../../document/model/index.ts';
import { alike, type PatchOperation } from '../../basics/patch/index.ts';
import { shapeDefinition, type RampTable } from '../../document/ramps/index.ts';
import type { Change } from './change.ts';

/** A value as people write it. */
const sayWith =
  ({ number }: Parameter) =>
  (value: number): string =>
    number === 'share' ? `${Number((value * 100).toPrecision(4))} %` : String(Number(value.toPrecision(4)));

/** One of a ramp's modifiers: set, changed or taken away. */
function modifierWords(words: string, before: string | undefined, after: string | undefined): string[] {
  if (before === after) return [];
  if (before === undefined) return [`${words} ${after}, none before`];
  return [after === undefined ? `no longer ${words} ${before}` : `${words} ${before} → ${after}`];
}

function rampWords(before: Parameter, after: Parameter): string[] {
  const [say, sayNow] = [sayWith(before), sayWith(after)];
  const optional = (value: number | undefined, words: (value: number) => string): string | undefined =>
    value === undefined ? undefined : words(value);
  const [was, is] = [before.ramp, after.ramp];
  const shape = shapeDefinition(was.shape).inWords(was.shape, say);
  const shapeNow = shapeDefinition(is.shape).inWords(is.shape, sayNow);
  return [
    ...(was.axis === is.axis ? [] : [`along ${was.axis ?? 'the sequence'} → along ${is.axis ?? 'the sequence'}`]),
    ...(alike(was.shape, is.shape) ? [] : [`${shape} → ${shapeNow}`]),
    ...(alike(was.breather, is.breather) ? [] : [is.breather ? 'another breather' : 'no breather any more']),
    ...modifierWords('at most', optional(was.atMost, say), optional(is.atMost, sayNow)),
    ...modifierWords('at least', optional(was.atLeast, say), optional(is.atLeast, sayNow)),
    ...modifierWords('rounded to', optional(was.roundTo, say), optional(is.roundTo, sayNow)),
  ];
}

function pinWords(before: Parameter, after: Parameter, slots: Project['slots']): string[] {
  const say = sayWith(after);
  const nameOf = (id: string): string => {
    const position = slots.findIndex((slot) => slot.id === id) + 1;
    return position === 0 ? 'a slot that is gone' : String(position);
  };
  const ids = [...new Set([...Object.keys(before.pins), ...Object.keys(after.pins)])];
  return ids.flatMap((id) => {
    const [was, is] = [before.pins[id], after.pins[id]];
    if (was === is) return [];
    if (was === undefined) return [`pinned at ${nameOf(id)} to ${say(is as number)}`];
    return [
      is === undefined
        ? `no pin at ${nameOf(id)}, it was ${say(was)}`
        : `pin at ${nameOf(id)} ${say(was)} → ${say(is)}`,
    ];
  });
}

function factWords(before: Parameter, after: Parameter): string[] {
  const { sane } = before;
  return [
    ...(before.label === after.label ? [] : [`called ${before.label} before`]),
    ...(before.unit === after.unit ? [] : [`unit ${before.unit} → ${after.unit}`]),
    ...(alike(sane, after.sane) ? [] : [`sane ${sane.min} to ${sane.max} → ${after.sane.min} to ${after.sane.max}`]),
    ...(before.note === after.note ? [] : ['another note']),
  ];
}

/** The earlier parameter as the document holds it at a place, without pins at slots that are gone. */
const fitted = (parameter: Parameter, order: number | undefined, slots: Project['slots']): object => ({
  ...entryOf(parameter, order),
  pins: Object.fromEntries(Object.entries(parameter.pins).filter(([id]) => slots.some((slot) => slot.id === id))),
});

/** A state of a project with its ramps worked out. */
export interface State {
  project: Project;
  table: RampTable;
}

/** Differences of the parameters: changed ones in the order of the later state, then removed ones. */
export function parameterChanges(before: State, after: State): Change[] {
  const { slots } = after.project;
  const earlier = new Map(before.project.parameters.map((parameter) => [parameter.key, parameter]));
  const numbers = numbersOf(after.project.parameters);
  const numbersBefore = numbersOf(before.project.parameters);
  const earlierNumbers = new Map([...earlier.keys()].map((key, index) => [key, numbersBefore[index]]));
  const change = (parameter: Parameter, words: string[], positions: number[], restore: PatchOperation[]): Change => ({
    id: `parameter ${parameter.key}`,
    about: 'parameter',
    title: parameter.label,
    words,
    positions,
    restore,
  });
  const changed = after.project.parameters.flatMap((parameter, index) => {
    const path = pointerOf(['parameters', parameter.key]);
    const was = earlier.get(parameter.key);
    earlier.delete(parameter.key);
    if (!was) return [change(parameter, ['added since'], [], [{ op: 'remove', path }])];
    const [old, now] = [before.table.rows.get(was.key)?.values, after.table.rows.get(parameter.key)?.values];
    const positions = slots.flatMap((slot, at) => {
      const there = before.project.slots.findIndex(({ id }) => id === slot.id);
      return there >= 0 && Math.abs((old?.[there] ?? 0) - (now?.[at] ?? 0)) > 1e-9 ? [at + 1] : [];
    });
    const words = [...rampWords(was, parameter), ...pinWords(was, parameter, slots), ...factWords(was, parameter)];
    // A formula changes with what it names.
    if (words.length === 0 && positions.length > 0) words.push('follows what has changed elsewhere');
    if (words.length === 0) return [];
    return [change(parameter, words, positions, [{ op: 'replace', path, value: fitted(was, numbers[index], slots) }])];
  });
  const gone = [...earlier.values()].map((parameter) =>
    change(
      parameter,
      ['removed since'],
      [],
      [
        {
          op: 'add',
          path: pointerOf(['parameters', parameter.key]),
          value: fitted(parameter, earlierNumbers.get(parameter.key), slots),
        },
      ],
    ),
  );
  return [...changed, ...gone];
}
