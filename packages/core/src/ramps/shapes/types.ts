import type { Shape, ShapeType } from '../../model/index.ts';

/** A number of a shape, as its sentence says it. */
export interface ShapeField {
  name: string;
  /** The words before the number: “starting at”. */
  before: string;
  /** The words after it: “levels”. */
  after?: string;
  /** In the parameter's unit, or a whole number of levels, or a position. */
  measure: 'value' | 'levels' | 'position';
}

/** A point on the line that can be dragged. */
export interface Handle<S> {
  name: string;
  label: string;
  /** Where it stands: position from 1 (may lie between or beyond slots) and value. */
  at(shape: S): { position: number; value: number };
  /** The shape after dragging the handle there. */
  moveTo(shape: S, position: number, value: number): S;
}

/** Everything Stadion knows of one shape. */
export interface ShapeDefinition<T extends ShapeType = ShapeType> {
  type: T;
  label: string;
  fields: readonly ShapeField[];
  handles: readonly Handle<Extract<Shape, { type: T }>>[];
  /** Value before the modifiers. @param position from 1 */
  valueAt(shape: Extract<Shape, { type: T }>, position: number): number;
  /** The shape of this type that keeps what carries over from another. @param first value at position 1 @param last value at the last position */
  fromValues(first: number, last: number, positions: number): Extract<Shape, { type: T }>;
  /** In words, values written by `say`. */
  inWords(shape: Extract<Shape, { type: T }>, say: (value: number) => string): string;
}
