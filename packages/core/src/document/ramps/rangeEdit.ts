import type { Parameter, Ramp } from '../model/index.ts';
import { fitShape } from './fit.ts';
import { LONGEST_FORMULA } from './reshape.ts';
import { toSignificant } from './round.ts';
import { seriesOf } from './series.ts';
import { SHAPES } from './shapes/index.ts';
import { rowWith } from './table.ts';
import { rawValue, rampValue, type RampProject } from './values.ts';

/** An edit of the values of a stretch of levels. */
export type RangeEdit =
  | { edit: 'add'; by: number }
  | { edit: 'times'; by: number }
  | { edit: 'set'; value: number }
  | { edit: 'smooth' }
  | { edit: 'spread' }
  /** @param values from the stretch's first level on; where they end, what there is stays */
  | { edit: 'copy'; values: readonly number[] };

/** How the new values are held: by the ramp's own numbers, by a ramp through points, or by a pin at every level. */
export type RangeEditForm = 'own' | 'points' | 'pins';

/** A stretch of levels, both ends included, positions from 1. */
export interface Stretch {
  from: number;
  to: number;
}

/** Returns the values after a range edit. @param values of the whole sequence @returns a new row of the same length */
export function editedValues(values: readonly number[], { from, to }: Stretch, edit: RangeEdit): number[] {
  const at = (position: number): number => values[Math.min(values.length, Math.max(1, position)) - 1] as number;
  return values.map((value, index) => {
    const position = index + 1;
    if (position < from || position > to) return value;
    switch (edit.edit) {
      case 'add':
        return value + edit.by;
      case 'times':
        return value * edit.by;
      case 'set':
        return edit.value;
      case 'smooth':
        return (at(position - 1) + 2 * value + at(position + 1)) / 4;
      case 'spread':
        return to === from ? value : at(from) + ((at(to) - at(from)) * (position - from)) / (to - from);
      case 'copy':
        return edit.values[position - from] ?? value;
    }
  });
}

/** A parameter after a range edit. */
export interface RangeEditResult {
  ramp: Ramp;
  pins: Record<string, number>;
  /** Largest distance from what was asked for, within the stretch: caps, rounding and the shape have the last word. */
  offBy: number;
  /** Largest change outside the stretch. */
  elsewhere: number;
}

const SAME = 1e-9;

/** The formula with the edit written into it, where it can be. */
function formulaWith(text: string, { from, to }: Stretch, edit: RangeEdit, all: boolean): string | undefined {
  const here = `(level >= ${from}) * (level <= ${to})`;
  const whole = `(${text})`;
  switch (edit.edit) {
    case 'add':
      return all ? `${whole} + ${edit.by}` : `${whole} + ${edit.by} * ${here}`;
    case 'times':
      return all ? `${whole} * ${edit.by}` : `${whole} * if(${here}, ${edit.by}, 1)`;
    case 'set':
      return all ? String(edit.value) : `if(${here}, ${edit.value}, ${text})`;
    default:
      return undefined;
  }
}

/**
 * A parameter with a range edit carried out.
 *
 * @returns undefined where it cannot be held that way: a formula cannot be smoothed by its own numbers, nor be longer than the document takes
 */
export function applyRangeEdit(
  project: RampProject,
  parameter: Parameter,
  stretch: Stretch,
  edit: RangeEdit,
  as: RangeEditForm,
): RangeEditResult | undefined {
  const { slots } = project;
  const { ramp, pins } = parameter;
  const before = [...rowWith(project, parameter).values];
  const wanted = editedValues(before, stretch, edit);
  const inside = (index: number): boolean => index + 1 >= stretch.from && index + 1 <= stretch.to;
  const made = make();
  if (!made) return undefined;
  const after = rowWith(project, { ...parameter, ...made }).values;
  let offBy = 0;
  let elsewhere = 0;
  wanted.forEach((value, index) => {
    const off = Math.abs((after[index] as number) - value);
    if (inside(index)) offBy = Math.max(offBy, off);
    else elsewhere = Math.max(elsewhere, off);
  });
  return { ...made, offBy, elsewhere };

  function make(): Pick<RangeEditResult, 'ramp' | 'pins'> | undefined {
    const context = seriesOf(project).contextOf(parameter, 1);
    if (as === 'pins') {
      const kept = { ...pins };
      slots.forEach(({ id }, index) => {
        if (!inside(index)) return;
        const value = toSignificant(wanted[index] as number);
        if (Math.abs(value - rampValue(parameter, index + 1, context)) < SAME) delete kept[id];
        else kept[id] = value;
      });
      return { ramp, pins: kept };
    }
    if (as === 'points') {
      // Pins outside the stretch hang on the ramp as they did; inside, the points take their place.
      const course = rowWith(project, { ...parameter, pins: {} }).values;
      const values = wanted.map((value, index) => toSignificant(inside(index) ? value : (course[index] as number)));
      const left = Object.entries(pins).filter(([id]) => !inside(slots.findIndex((slot) => slot.id === id)));
      const { breather: _breather, ...rest } = ramp;
      return { ramp: { ...rest, shape: SHAPES.points.fromValues(values, context) }, pins: Object.fromEntries(left) };
    }
    const { shape } = ramp;
    const moved = Object.fromEntries(
      Object.entries(pins).map(([id, value]) => {
        const index = slots.findIndex((slot) => slot.id === id);
        return [id, inside(index) ? toSignificant(wanted[index] as number) : value];
      }),
    );
    if (shape.type === 'formula') {
      const text = formulaWith(shape.text, stretch, edit, stretch.from === 1 && stretch.to === slots.length);
      return text === undefined || text.length > LONGEST_FORMULA
        ? undefined
        : { ramp: { ...ramp, shape: { type: 'formula', text } }, pins: moved };
    }
    // Additions and factors act behind a cap, too, where the values alone do not show the shape.
    const relative = edit.edit === 'add' || edit.edit === 'times';
    const asked = relative
      ? editedValues(
          before.map((_, index) => rawValue(ramp, index + 1, context)),
          stretch,
          edit,
        )
      : wanted;
    const targets = asked.flatMap((value, index) =>
      inside(index) && (relative || !Object.hasOwn(pins, slots[index]?.id ?? '')) ? [{ place: index + 1, value }] : [],
    );
    const fitted = fitShape(shape, targets, context);
    return fitted && { ramp: { ...ramp, shape: fitted }, pins: moved };
  }
}
