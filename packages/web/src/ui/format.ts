/** A number as people write it: with a limit of digits after the point, without trailing zeros. @example formatNumber(2.50) // '2.5' */
export function formatNumber(value: number, digits = 2): string {
  if (!Number.isFinite(value)) return '∞';
  const text = String(Number(value.toFixed(digits)));
  return text.replace('-', '−');
}

/** A share as a percentage. @example formatPercent(0.786) // '79 %' */
export const formatPercent = (share: number, digits = 0): string => `${formatNumber(share * 100, digits)} %`;

/** Seconds. @example formatSeconds(33.123) // '33.1 s' */
export const formatSeconds = (seconds: number): string => `${formatNumber(seconds, 1)} s`;

/** Remaining time of a task, as words after its progress; empty where it is not known. @param seconds left */
export function formatRemaining(seconds: number | undefined): string {
  if (seconds === undefined) return '';
  if (seconds < 90) return `, about ${Math.max(1, Math.round(seconds))} s left`;
  return `, about ${Math.round(seconds / 60)} min left`;
}

/** A moment as people write it where they are. @param at ISO 8601 */
export const formatMoment = (at: string): string =>
  new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
