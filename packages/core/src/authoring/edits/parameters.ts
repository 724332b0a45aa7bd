import {
  documentOf,
  literal,
  projectOf,
  usesOfParameter,
  type LiveAxis,
  type Parameter,
  type Project,
  type Ramp,
  type Shape,
  type ShapeType,
} from '../../document/model/index.ts';
import { rampValue, rawValue, reshape, seriesOf, SHAPES, toSignificant } from '../../document/ramps/index.ts';
import { applyPatch, type PatchOperation } from '../../basics/patch/index.ts';
import { at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { insertEntry } from './order.ts';
import { withoutNames, type Removal } from './removal.ts';

const parameterOf = (project: Project, key: string): Parameter =>
  project.parameters.find((parameter) => parameter.key === key) as Parameter;

/** A camel-case key from a label. @example 'Hornet speed' → hornetSpeed */
function keyFor(project: Project, label: string): string {
  const camel = label
    .toLowerCase()
    .replace(/[^a-z0-9]+(.)?/g, (_match, next: string | undefined) => (next ?? '').toUpperCase())
    .replace(/^[^a-z]+/, '');
  const taken = new Set(project.parameters.map((parameter) => parameter.key));
  const base = camel === '' ? 'parameter' : camel.slice(0, 40);
  // Letters and digits only: formulas name parameters by their keys.
  let key = base;
  for (let number = 2; taken.has(key); number++) key = `${base}${number}`;
  return key;
}

/** The first value of a new parameter. */
export interface FirstValue {
  value: number;
  unit: string;
  number: Parameter['number'];
}

/** A range of plausible values around one: from 0, or from its negative, to twice as much. */
function saneAround({ value, number }: FirstValue): Parameter['sane'] {
  if (number === 'share' && value >= 0 && value <= 1) return { min: 0, max: 1 };
  const size = Math.max(Math.abs(value) * 2, number === 'whole' ? 5 : 1);
  const max = number === 'whole' ? Math.ceil(size) : Number(size.toPrecision(2));
  return { min: value < 0 ? -max : 0, max };
}

/** Adds a parameter that holds one value at every level. */
export function addParameter(
  project: Project,
  label: string,
  first: FirstValue = { value: 1, unit: '', number: 'real' },
): NamedEdit & { key: string } {
  const key = keyFor(project, label);
  const { value, unit, number } = first;
  const parameter: Parameter = {
    ...{ key, label, unit, number, pins: {}, note: '' },
    sane: first.value === 1 && number === 'real' ? { min: 0, max: 10 } : saneAround(first),
    ramp: { shape: { type: 'hold', value } },
  };
  return { key, label: `Add ${label}`, patch: insertEntry(['parameters'], project.parameters, parameter) };
}

/** The removal of a parameter that numbers follow. */
export interface ParameterRemoval extends Removal {
  /** The number of amounts that keep the value they have now. */
  numbers: number;
}

/**
 * Removes a parameter. Every amount that follows it keeps its present value as a number: in a level, the value at the
 * level's first slot; elsewhere, the value at `position`. Rules that change the parameter lose that effect.
 *
 * @returns the edit, or the names of the formulas that read the parameter: they must be changed by hand
 */
export function removeParameter(
  project: Project,
  key: string,
  position: number,
): ParameterRemoval | { formulas: string[] } {
  const parameter = parameterOf(project, key);
  const uses = usesOfParameter(project, key);
  const formulas = [
    ...uses.flatMap(({ path: [part, id] }) => (part === 'parameters' ? [parameterOf(project, String(id)).label] : [])),
    ...(project.bouts?.actions ?? []).flatMap(({ id, name }) =>
      uses.some(({ path }) => path[0] === 'bouts' && path[1] === 'actions' && path[2] === id && path[3] === 'formula')
        ? [name]
        : [],
    ),
  ];
  if (formulas.length > 0) return { formulas };
  const series = seriesOf(project);
  const document = documentOf(project);
  const numbers = uses.flatMap(({ path, levelId }): PatchOperation[] => {
    const source = path.reduce<unknown>(
      (value, part) => (value as Record<string, unknown> | undefined)?.[part],
      document,
    ) as { from?: string; times?: number; plus?: number } | undefined;
    if (source?.from !== 'parameter') return [];
    const first = project.slots.findIndex((slot) => slot.levelId === levelId) + 1;
    const value = series.valueAt(parameter, first > 0 ? first : Math.max(1, position));
    return [replaceAt(at(...path), literal(value * (source.times ?? 1) + (source.plus ?? 0)))];
  });
  const rest = projectOf(applyPatch(document, numbers));
  const { patch, sentences } = withoutNames(rest, {
    effect: (effect) => effect.effect === 'parameter' && effect.parameter === key,
  });
  return {
    label: `Remove ${parameter.label}`,
    numbers: numbers.length,
    sentences,
    patch: [...numbers, ...patch, removeAt(at('parameters', key))],
  };
}

/** Sets a parameter's ramp to another. `what` says the change in words. */
export function setRamp(project: Project, key: string, ramp: Ramp, what: string): NamedEdit {
  const before = parameterOf(project, key);
  const base = at('parameters', key, 'ramp');
  const patch = [
    ...(JSON.stringify(before.ramp.shape) === JSON.stringify(ramp.shape)
      ? []
      : [replaceAt(`${base}/shape`, ramp.shape)]),
    ...(['axis', 'breather', 'atMost', 'atLeast', 'roundTo'] as const).flatMap((name) =>
      JSON.stringify(before.ramp[name]) === JSON.stringify(ramp[name])
        ? []
        : setOptional(`${base}/${name}`, before.ramp[name], ramp[name]),
    ),
  ];
  return { label: `${before.label}: ${what}`, patch };
}

/** How many places along a reading its shape is read off, to make another of it. */
const PLACES_ALONG_A_READING = 200;

/** Another shape with what carries over from the one there is. */
export function setShape(project: Project, key: string, type: ShapeType): NamedEdit {
  const parameter = parameterOf(project, key);
  const { ramp } = parameter;
  const context = seriesOf(project).contextOf(parameter, 1);
  const places = ramp.axis === undefined ? project.slots.length : PLACES_ALONG_A_READING;
  const shape = reshape(ramp, type, context, places);
  const off = Array.from({ length: places }, (_, index) => {
    const at = context.first + index;
    return Math.abs(rawValue({ shape }, at, context) - rawValue(ramp, at, context));
  });
  const nearest = shape.type === 'points' && Math.max(0, ...off) > 1e-9 ? `, nearest by ${shape.points.length}` : '';
  return setRamp(project, key, { ...ramp, shape }, `shape ${SHAPES[type].label.toLowerCase()}${nearest}`);
}

/** First shape of a live ramp: the values that its parameter had, as steps along the reading. */
const FIRST_STEPS: Readonly<Record<LiveAxis, number>> = {
  score: 100,
  collected: 5,
  timeElapsed: 10,
  distance: 20,
  sectionsPassed: 4,
};

/** Lets a ramp go along a reading of the attempt, or along the sequence again (no axis). It keeps the value it begins with. */
export function setAxis(project: Project, key: string, axis: LiveAxis | undefined): NamedEdit {
  const parameter = parameterOf(project, key);
  const { axis: before, breather: _breather, ...rest } = parameter.ramp;
  const first = rampValue(parameter, before === undefined ? 1 : 0, seriesOf(project).contextOf(parameter, 1));
  const from = toSignificant(first);
  const add =
    parameter.number === 'whole' ? 1 : Number(((parameter.sane.max - parameter.sane.min) / 20).toPrecision(1));
  const every = axis === undefined ? 4 : FIRST_STEPS[axis];
  const shape: Shape = { type: 'steps', from, add, every, startingAt: axis === undefined ? 1 : 0 };
  const along = axis === undefined ? 'the sequence' : READING_WORDS[axis];
  return setRamp(project, key, axis === undefined ? { ...rest, shape } : { ...rest, axis, shape }, `along ${along}`);
}

/** Words for the readings along which ramps can go. */
export const READING_WORDS: Readonly<Record<LiveAxis, string>> = {
  score: 'the score',
  collected: 'pieces collected',
  timeElapsed: 'seconds on the clock',
  distance: 'units gone',
  sectionsPassed: 'sections passed',
};

/** Sets a ramp and its pins at once. */
export function setRampAndPins(
  project: Project,
  key: string,
  { ramp, pins }: Pick<Parameter, 'ramp' | 'pins'>,
  what: string,
): NamedEdit {
  const before = parameterOf(project, key);
  const { label, patch } = setRamp(project, key, ramp, what);
  const slots = new Set([...Object.keys(before.pins), ...Object.keys(pins)]);
  return {
    label,
    patch: [
      ...patch,
      ...[...slots].flatMap((slotId) =>
        before.pins[slotId] === pins[slotId]
          ? []
          : setOptional(at('parameters', key, 'pins', slotId), before.pins[slotId], pins[slotId]),
      ),
    ],
  };
}

/** One value set by hand; undefined takes the hand away. */
export interface CellChange {
  key: string;
  slotId: string;
  value: number | undefined;
}

/** Limit of the pins of one parameter that are set one by one: an edit has a limit of operations. */
const SINGLE_PINS = 10;

/** Sets values of several parameters at several slots at once. A value that the ramp gives by itself needs no pin; one that is there already changes nothing. */
export function setCells(project: Project, changes: readonly CellChange[], what: string): NamedEdit {
  const series = seriesOf(project);
  const positions = new Map(project.slots.map((slot, index) => [slot.id, index + 1]));
  const pinsOf = new Map<string, Map<string, number | undefined>>();
  for (const { key, slotId, value } of changes) {
    const parameter = project.parameters.find((entry) => entry.key === key);
    const position = positions.get(slotId);
    if (!parameter || position === undefined) continue;
    const same = (other: number): boolean => value !== undefined && Math.abs(value - other) < 1e-9;
    if (same(series.valueAt(parameter, position))) continue;
    const pin = same(series.rampAt(parameter, position)) ? undefined : value;
    if (pin === parameter.pins[slotId]) continue;
    pinsOf.set(key, (pinsOf.get(key) ?? new Map<string, number | undefined>()).set(slotId, pin));
  }
  const patch = [...pinsOf].flatMap(([key, pins]) => {
    const before = parameterOf(project, key).pins;
    if (pins.size <= SINGLE_PINS)
      return [...pins].flatMap(([slotId, pin]) =>
        setOptional(at('parameters', key, 'pins', slotId), before[slotId], pin),
      );
    const all = Object.entries({ ...before, ...Object.fromEntries(pins) }).filter(([, pin]) => pin !== undefined);
    return [replaceAt(at('parameters', key, 'pins'), Object.fromEntries(all))];
  });
  return { label: what, patch };
}

/** Sets a value by hand at one slot, over the ramp. */
export function setPin(project: Project, key: string, slotId: string, value: number): NamedEdit {
  const parameter = parameterOf(project, key);
  const position = project.slots.findIndex((slot) => slot.id === slotId) + 1;
  return {
    label: `Pin ${parameter.label} at ${position} to ${Number(value.toPrecision(6))}`,
    patch: setOptional(at('parameters', key, 'pins', slotId), parameter.pins[slotId], value),
  };
}

export function removePin(project: Project, key: string, slotId: string): NamedEdit {
  const parameter = parameterOf(project, key);
  const position = project.slots.findIndex((slot) => slot.id === slotId) + 1;
  return {
    label: `Remove the pin of ${parameter.label} at ${position}`,
    patch: setOptional(at('parameters', key, 'pins', slotId), parameter.pins[slotId], undefined),
  };
}

/** Sets an end of the range in which a parameter's values make sense; the other end gives way, never passes it. */
export function setSane(project: Project, key: string, end: 'min' | 'max', value: number): NamedEdit {
  const parameter = parameterOf(project, key);
  return {
    label: `${parameter.label}: sensible ${end === 'min' ? 'from' : 'up to'} ${Number(value.toPrecision(6))}`,
    patch: [replaceAt(at('parameters', key, 'sane', end), value)],
  };
}

/** Sets one of a parameter's own facts. */
export function setParameterFact(project: Project, key: string, fact: 'label' | 'unit', value: string): NamedEdit {
  const parameter = parameterOf(project, key);
  return { label: `${parameter.label}: ${fact} ${value}`, patch: [replaceAt(at('parameters', key, fact), value)] };
}
