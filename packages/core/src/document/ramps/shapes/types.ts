import type { Shape, ShapeType } from '../../model/index.ts';
import type { RampContext } from '../context.ts';
import type { Node } from '../formula/types.ts';

/** A number of a shape, as its sentence says it. */
export interface ShapeField {
  name: string;
  /** The record in the shape that holds it, for numbers that stand in one. */
  of?: string;
  /** The words before the number: “starting at”. */
  before: string;
  /** The words after it: “levels”. */
  after?: string;
  /** In the parameter's unit, a whole number of levels, any number of levels, a position, or a share. */
  measure: 'value' | 'levels' | 'span' | 'position' | 'share';
}

/** A word of a shape that can be another. */
export interface ShapeChoice {
  name: string;
  before: string;
  after?: string;
  options: readonly { value: string; label: string }[];
}

/** A point on the line that can be dragged. */
export interface Handle<S> {
  name: string;
  label: string;
  /** Where it stands: position from 1 (may lie between or beyond slots) and value. */
  at(shape: S): { position: number; value: number };
  /** The shape after dragging the handle there. */
  moveTo(shape: S, position: number, value: number): S;
  /** The shape without it, where it can be taken away. */
  remove?(shape: S): S;
}

type Of<T extends ShapeType> = Extract<Shape, { type: T }>;

/** A formula as it travels: read already. Null where it could not be. */
export interface ReadyFormula {
  type: 'formula';
  tree: Node | null;
}

/** A shape ready to be worked out without reading any text. */
export type ReadyShape = Exclude<Shape, { type: 'formula' }> | ReadyFormula;

/** A shape's value before the modifiers; a formula may give none. @param place on the ramp's axis: a position from 1, or a reading */
export type ShapeValue<T extends ShapeType> = (
  shape: Extract<ReadyShape, { type: T }>,
  place: number,
  context: RampContext,
) => number;

/** Everything Stadion knows of one shape, besides its value: words, handles, what carries over. */
export interface ShapeDefinition<T extends ShapeType = ShapeType> {
  type: T;
  label: string;
  fields: readonly ShapeField[];
  /** Numbers of which there are as many as there are bands along the axis. */
  fieldsIn?(context: RampContext): readonly ShapeField[];
  choices?: readonly ShapeChoice[];
  handles(shape: Of<T>, context: RampContext): readonly Handle<Of<T>>[];
  /** The shape with a handle more, where it can have as many as one likes. */
  addHandle?(shape: Of<T>, position: number, value: number): Of<T>;
  /** The shape of this type that keeps what carries over from another. @param values of the other, from the first place of the axis on; one at least */
  fromValues(values: readonly number[], context: RampContext): Of<T>;
  /** The same as a formula, where it has one. @param name of what it goes along */
  asFormula?(shape: Of<T>, name: string, context: RampContext): string;
  /** In words, values written by `say`. */
  inWords(shape: Of<T>, say: (value: number) => string): string;
}
