import { arithmetic } from '@stadion/core/ramps';

export type ParsedNumber = { ok: true; value: number } | { ok: false; reason: string };

/**
 * Read what was typed into a number field: a number with a point or a comma, or plain arithmetic. A unit after it is
 * forgiven (s, %); one of the given units is converted.
 *
 * @param units by name, the size of each in the unit that is meant
 * @example parseNumber('48*1.25') // { ok: true, value: 60 }
 */
export function parseNumber(text: string, units: Readonly<Record<string, number>> = {}): ParsedNumber {
  const named = Object.entries(units).find(([unit]) => new RegExp(`[\\d) ]${unit}$`).test(text.trim()));
  const number = named ? text.trim().slice(0, -named[0].length) : text;
  const cleaned = number
    .trim()
    .replaceAll('−', '-')
    .replaceAll(/(\d),(\d)/g, '$1.$2')
    .replace(/\s*(%|s|units\/s|units)$/, '');
  if (cleaned === '') return { ok: false, reason: 'A number is expected.' };
  const value = arithmetic(cleaned);
  if (Number.isNaN(value))
    return { ok: false, reason: `“${text.trim().slice(0, 30)}” is not a number; arithmetic such as 48*1.25 is.` };
  if (!Number.isFinite(value)) return { ok: false, reason: 'This divides by zero.' };
  return { ok: true, value: Number((value * (named?.[1] ?? 1)).toPrecision(12)) };
}
