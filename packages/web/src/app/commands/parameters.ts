import { freshId, usesOfParameter, type Parameter, type Project, type Ramp, type ShapeType } from '@stadion/core/model';
import { rampValue, SHAPES } from '@stadion/core/ramps';
import { addAt, at, removeAt, replaceAt, setOptional, type Command } from './command.ts';

const indexOf = (project: Project, key: string): number =>
  project.parameters.findIndex((parameter) => parameter.key === key);

/** A camel-case key from a label. @example 'Hornet speed' → hornetSpeed */
function keyFor(project: Project, label: string): string {
  const camel = label
    .toLowerCase()
    .replace(/[^a-z0-9]+(.)?/g, (_match, next: string | undefined) => (next ?? '').toUpperCase())
    .replace(/^[^a-z]+/, '');
  const taken = new Set(project.parameters.map((parameter) => parameter.key));
  const base = camel === '' ? 'parameter' : camel.slice(0, 40);
  return taken.has(base) ? freshId(base, taken) : base;
}

export function addParameter(project: Project, label: string): Command & { key: string } {
  const key = keyFor(project, label);
  const parameter: Parameter = {
    key,
    label,
    unit: '',
    number: 'real',
    sane: { min: 0, max: 10 },
    ramp: { shape: { type: 'hold', value: 1 } },
    pins: {},
    note: '',
  };
  return { key, label: `Add ${label}`, patch: [addAt(at('parameters', '-'), parameter)] };
}

/** Takes a parameter out, or says where it is still used. */
export function removeParameter(project: Project, key: string): Command | { usedIn: number } {
  const uses = usesOfParameter(project, key).length;
  if (uses > 0) return { usedIn: uses };
  const index = indexOf(project, key);
  return { label: `Remove ${project.parameters[index]?.label ?? key}`, patch: [removeAt(at('parameters', index))] };
}

/** Sets a parameter's ramp to another. `what` says the change in words. */
export function setRamp(project: Project, key: string, ramp: Ramp, what: string): Command {
  const index = indexOf(project, key);
  const before = project.parameters[index] as Parameter;
  const base = at('parameters', index, 'ramp');
  const patch = [
    ...(JSON.stringify(before.ramp.shape) === JSON.stringify(ramp.shape)
      ? []
      : [replaceAt(`${base}/shape`, ramp.shape)]),
    ...(['breather', 'atMost', 'atLeast', 'roundTo'] as const).flatMap((name) =>
      JSON.stringify(before.ramp[name]) === JSON.stringify(ramp[name])
        ? []
        : setOptional(`${base}/${name}`, before.ramp[name], ramp[name]),
    ),
  ];
  return { label: `${before.label}: ${what}`, patch };
}

/** Another shape with what carries over from the values of the one there is. */
export function setShape(project: Project, key: string, type: ShapeType): Command {
  const { ramp } = project.parameters[indexOf(project, key)] as Parameter;
  const positions = Math.max(1, project.slots.length);
  const bare: Ramp = { shape: ramp.shape };
  const values = Array.from({ length: positions }, (_, index) => rampValue(bare, index + 1));
  const shape = SHAPES[type].fromValues(values);
  return setRamp(project, key, { ...ramp, shape }, `shape ${SHAPES[type].label.toLowerCase()}`);
}

/** Sets a value by hand at one slot, over the ramp. */
export function setPin(project: Project, key: string, slotId: string, value: number): Command {
  const index = indexOf(project, key);
  const parameter = project.parameters[index] as Parameter;
  const position = project.slots.findIndex((slot) => slot.id === slotId) + 1;
  return {
    label: `Pin ${parameter.label} at ${position} to ${Number(value.toPrecision(6))}`,
    patch: setOptional(at('parameters', index, 'pins', slotId), parameter.pins[slotId], value),
  };
}

export function removePin(project: Project, key: string, slotId: string): Command {
  const index = indexOf(project, key);
  const parameter = project.parameters[index] as Parameter;
  const position = project.slots.findIndex((slot) => slot.id === slotId) + 1;
  return {
    label: `Remove the pin of ${parameter.label} at ${position}`,
    patch: setOptional(at('parameters', index, 'pins', slotId), parameter.pins[slotId], undefined),
  };
}

/** Sets an end of the range in which a parameter's values make sense; the other end gives way, never passes it. */
export function setSane(project: Project, key: string, end: 'min' | 'max', value: number): Command {
  const index = indexOf(project, key);
  const parameter = project.parameters[index] as Parameter;
  return {
    label: `${parameter.label}: sensible ${end === 'min' ? 'from' : 'up to'} ${Number(value.toPrecision(6))}`,
    patch: [replaceAt(at('parameters', index, 'sane', end), value)],
  };
}

/** Sets one of a parameter's own facts. */
export function setParameterFact(project: Project, key: string, fact: 'label' | 'unit', value: string): Command {
  const index = indexOf(project, key);
  const parameter = project.parameters[index] as Parameter;
  return { label: `${parameter.label}: ${fact} ${value}`, patch: [replaceAt(at('parameters', index, fact), value)] };
}
