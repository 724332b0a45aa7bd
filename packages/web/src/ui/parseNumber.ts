import { arithmetic } from '@stadion/core/document/ramps';

/** @param percent a % was typed after the number */
export type ParsedNumber = { ok: true; value: number; percent: boolean } | { ok: false; reason: string };

/** “1/8” or “1 in 8”: a share of one. */
const FRACTION = /^(\d+(?:[.,]\d+)?)\s*(?:\/|in)\s*(\d+(?:[.,]\d+)?)$/;

/**
 * Read what was typed into a number field: a number with a point or a comma, or plain arithmetic. A unit after it is
 * forgiven (s, %); one of the given units is converted.
 *
 * @param units by name, the size of each in the unit that is meant
 * @param inPercent the field counts in percent: there “1/8” and “1 in 8” are 12.5
 * @example parseNumber('48*1.25') // { ok: true, value: 60, percent: false }
 */
export function parseNumber(
  text: string,
  units: Readonly<Record<string, number>> = {},
  inPercent = false,
): ParsedNumber {
  const fraction = FRACTION.exec(text.trim());
  const [part, whole] = [fraction?.[1], fraction?.[2]].map((digits) => Number(digits?.replace(',', '.')));
  // “100/3” in a field of percents is arithmetic: no share is above one.
  if (fraction && part !== undefined && whole !== undefined && whole > 0 && part <= whole && inPercent)
    return { ok: true, value: Number(((part / whole) * 100).toPrecision(12)), percent: true };
  if (fraction && text.includes('in'))
    return { ok: false, reason: `“${text.trim().slice(0, 30)}” is a chance. Here a number is expected.` };
  const named = Object.entries(units).find(([unit]) => new RegExp(`[\\d) ]${unit}$`).test(text.trim()));
  const number = named ? text.trim().slice(0, -named[0].length) : text;
  const percent = /%\s*$/.test(number);
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
  return { ok: true, value: Number((value * (named?.[1] ?? 1)).toPrecision(12)), percent };
}
