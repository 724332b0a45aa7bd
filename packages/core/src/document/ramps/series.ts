import type { Parameter } from '../model/index.ts';
import { sequenceContext, type RampContext } from './context.ts';
import { cyclesOf, faultOf, parseFormula, type FormulaFault } from './formula/index.ts';
import { fallback } from './readyRamp.ts';
import { rawValue, isPinned, rampValue, type RampProject, type Values } from './values.ts';

/** All ramps of a project. */
export interface Series {
  /** Returns the context of a parameter's ramp. @param level position of the level, for a ramp along a reading */
  contextOf(parameter: Parameter, level: number): RampContext;
  /** A parameter's value, pin included; along a reading, as it stands before the reading has moved. @param position from 1; past the last slot the ramps go on, without pins */
  valueAt(parameter: Parameter, position: number): number;
  /** Returns the value of the ramp alone there. */
  rampAt(parameter: Parameter, position: number): number;
}

/** The values of a project's ramps; those of formulas are worked out once, when they are asked for. */
export function seriesOf(project: RampProject): Series {
  const byKey = new Map(project.parameters.map((parameter) => [parameter.key, parameter]));
  const circular = new Set(cyclesOf(project.parameters).flat());
  const known = new Map<string, number[]>();
  const levels = project.slots.length;
  const parameterAt = (key: string, position: number): number => {
    const parameter = byKey.get(key);
    return parameter ? valueAt(parameter, position) : Number.NaN;
  };
  const sequence: RampContext = { ...sequenceContext(project), parameterAt };

  function contextOf({ ramp: { axis } }: Parameter, level: number): RampContext {
    if (axis === undefined) return sequence;
    const bands = project.liveTiers?.[axis] ?? [];
    return { axis, first: 0, levels, level, bands, parameterAt: (key) => parameterAt(key, level) };
  }

  function rampAt(parameter: Parameter, position: number): number {
    const { key, ramp, sane } = parameter;
    const plain = ramp.axis === undefined;
    // Most ramps go along the sequence and name nobody: they are not kept, working one out is quicker.
    if (plain && ramp.shape.type !== 'formula') return rampValue(parameter, position, sequence);
    if (circular.has(key)) return fallback(Number.NaN, sane);
    const context = plain ? sequence : contextOf(parameter, position);
    const place = plain ? position : 0;
    if (ramp.shape.type !== 'formula') return rampValue(parameter, place, context);
    let values = known.get(key);
    if (!values) known.set(key, (values = []));
    return (values[position] ??= rampValue(parameter, place, context));
  }

  function valueAt(parameter: Parameter, position: number): number {
    const slotId = project.slots[position - 1]?.id;
    return isPinned(parameter, slotId) ? (parameter.pins[slotId] as number) : rampAt(parameter, position);
  }

  return { contextOf, valueAt, rampAt };
}

/** A position at which a formula gives no number: what it comes to there. */
export interface NoNumber {
  /** From 1. */
  position: number;
  /** The part of it that gives none, and why. */
  fault: FormulaFault;
}

/** Where a parameter's formula gives no number by itself, so that an end of its sane range stands in for it. None for other shapes, and for what is pinned. */
export function noNumbersOf(project: RampProject, parameter: Parameter): NoNumber[] {
  const { ramp } = parameter;
  if (ramp.shape.type !== 'formula') return [];
  const { text } = ramp.shape;
  const { contextOf } = seriesOf(project);
  return project.slots.flatMap((slot, index) => {
    if (isPinned(parameter, slot.id)) return [];
    const position = index + 1;
    const place = ramp.axis === undefined ? position : 0;
    const context = contextOf(parameter, position);
    if (Number.isFinite(rawValue(ramp, place, context))) return [];
    const parsed = parseFormula(text);
    const fault = parsed.ok ? faultOf(parsed.root, place, context) : undefined;
    return [{ position, fault: fault ?? { part: text, why: 'cannot be read' } }];
  });
}

/** Positions at which an end of a parameter's sane range stands in for a number: all of them where its formula goes round in a circle. */
export function withoutNumber(project: RampProject, parameter: Parameter): number[] {
  if (parameter.ramp.shape.type !== 'formula') return [];
  const isCircular = cyclesOf(project.parameters).flat().includes(parameter.key);
  if (!isCircular) return noNumbersOf(project, parameter).map(({ position }) => position);
  return project.slots.flatMap(({ id }, index) => (isPinned(parameter, id) ? [] : [index + 1]));
}

/** All parameters at one position (from 1; past the last slot the ramps go on, without pins). */
export function valuesAt(project: RampProject, position: number): Values {
  const { valueAt } = seriesOf(project);
  const values: Record<string, number> = {};
  for (const parameter of project.parameters) values[parameter.key] = valueAt(parameter, position);
  return values;
}
