import { formatNumber } from './format.ts';

/** Range and kind of a number. */
export interface NumberLimits {
  min?: number;
  max?: number;
  whole?: boolean;
  /** Step of an arrow key or of 4 px of dragging, in the number's own unit. */
  step: number;
  /** Shown and typed times this: 100 for a share in percent. */
  scale?: number;
  /** Written after the number. */
  unit?: string;
  /** Other units that may be typed after the number, each with its size in the unit shown. */
  units?: Readonly<Record<string, number>>;
}

/** A parameter that the number can follow in place of its own value. */
export interface Binding {
  options: readonly { key: string; label: string; shown: string }[];
  /** The key followed now. */
  bound: string | undefined;
  onBind: (key: string) => void;
  /** Adds a parameter that begins with the present value, and follows it. @param name of the new parameter */
  onNew?: (name: string) => void;
  /** The name of the new parameter unless another one is typed. */
  newName?: string;
  /** Goes to where the parameter itself is edited. */
  onOpen?: (key: string) => void;
}

/** A number in a sentence and what can be done with it. */
export interface NumberChipProps extends NumberLimits {
  label: string;
  /** Null where there may be no number. */
  value: number | null;
  onCommit: (value: number) => void;
  /** Takes a percentage that was typed, 0–1, where there is something to be a share of. */
  onShare?: (share: number) => void;
  /** Makes “none” possible. */
  onClear?: () => void;
  binding?: Binding;
  /** Digits after the point. */
  digits?: number;
  /** In place of the number. */
  shown?: string;
}

/** Why a number cannot be taken, or undefined. */
export function refusal(value: number, { min, max, whole, scale = 1, unit = '' }: NumberLimits): string | undefined {
  const say = (limit: number): string => `${formatNumber(limit * scale)}${unit === '' ? '' : ` ${unit}`}`;
  if (min !== undefined && value < min) return `At least ${say(min)}.`;
  if (max !== undefined && value > max) return `At most ${say(max)}.`;
  if (whole && !Number.isInteger(value)) return 'A whole number.';
  return undefined;
}
