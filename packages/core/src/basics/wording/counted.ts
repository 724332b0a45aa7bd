const rules = new Intl.PluralRules('en');

/** Words whose plural is not made by an s. */
const IRREGULAR: Readonly<Record<string, string>> = {
  life: 'lives',
  try: 'tries',
  loss: 'losses',
  is: 'are',
  has: 'have',
};

/** A number with its noun, in the singular or the plural. @example counted(1, 'star') // '1 star' */
export function counted(count: number, noun: string, plural = IRREGULAR[noun] ?? `${noun}s`): string {
  const said = String(Number(count.toPrecision(6))).replace('-', '−');
  return `${said} ${rules.select(Math.abs(count)) === 'one' ? noun : plural}`;
}
