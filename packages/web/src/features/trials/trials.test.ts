import { describe, expect, it } from '@jest/globals';
import type { ForecastEvent } from '@stadion/core/exchange/contract';
import { usualPacers } from '@stadion/core/document/model';
import { cellText, shownOf, strengthOf, valueOf } from './measures.ts';
import { progressOf, steadyRate, type PacerRow } from './useTrials.ts';

const summary = (clearRate: number, attempts = 240) => ({
  ...{ attempts, clearRate, interval: { low: clearRate - 0.03, high: clearRate + 0.03 }, medianSeconds: 20.04 },
  stars: [0, 0, Math.round(clearRate * attempts), 0, 0, 0],
});
const entry = (slotId: string, change: Partial<ForecastEvent>): [string, ForecastEvent] => [
  slotId,
  { slotId, pacer: 'steady', key: slotId, motion: '', done: true, summary: summary(0.9), ...change },
];

describe('what a cell shows', () => {
  const shown = { ...shownOf(summary(0.8)), causes: new Map([['hornet', 0.75]]) };

  it('is the measure, as short as it can be read', () => {
    const said = (['clearRate', 'tries', 'time', 'stars', 'cause'] as const).map((measure) =>
      cellText(shown, measure, 'hornet'),
    );
    expect(said).toEqual(['80', '1.3', '20', '2', '75']);
    expect(cellText(shown, 'cause', 'wasp')).toBe('0');
  });

  it('is a dash where nobody clears the level', () => {
    const none = shownOf({ ...summary(0), medianSeconds: null });
    expect([cellText(none, 'tries', ''), cellText(none, 'time', ''), cellText(none, 'stars', '')]).toEqual([
      '—',
      '—',
      '—',
    ]);
    expect(valueOf(none, 'clearRate', '')).toBe(0);
  });

  it('is coloured by what is shown, over all of the table', () => {
    expect(strengthOf(0.8, 'clearRate', 1)).toBe(0.8);
    expect(strengthOf(10, 'time', 40)).toBe(0.25);
    expect(strengthOf(null, 'tries', 4)).toBe(0);
  });
});

describe('how far trials have come', () => {
  const row = (...entries: [string, ForecastEvent][]): PacerRow => ({
    ...{ pacer: usualPacers()[1]!, share: 1, entries: new Map(entries) },
  });

  it('counts what is known, what is left of it, and what could not be tried', () => {
    const rows = [
      row(
        entry('one', {}),
        entry('two', { done: false, summary: summary(0.5, 100) }),
        entry('three', { done: false, failed: true, summary: null }),
      ),
    ];
    const progress = progressOf(rows, 4);
    expect(progress).toMatchObject({ done: 1, of: 4, failed: 1, played: 340 });
    // About 1,067 attempts at 50 %, and the fewest at a slot of which nothing is known.
    expect(Math.round(progress.attemptsLeft)).toBe(967 + 240);
  });
});

describe('the rate of attempts', () => {
  it.each<[string, number[], number | undefined]>([
    ['is not known from few estimates', [100, 100, 100], undefined],
    ['is not known while estimates jump', [100, 3, 140, 90], undefined],
    ['is the mean of estimates that agree', [100, 110, 90, 100], 100],
  ])('%s', (_what, rates, rate) => {
    expect(steadyRate(rates)).toBe(rate);
  });
});
