import { describe, expect, it } from '@jest/globals';
import { startAttempt, step } from '@stadion/core/play/attempt';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { makeWorld, prepareLevel } from '@stadion/core/play/movement';
import { attemptOf, better, levelMark, type BestAttempt } from './bestAttempts.ts';

const like = (change: Partial<BestAttempt>): BestAttempt => ({
  ...{ won: false, stars: 0, score: 0, sectionsPassed: 0, ticks: 100, at: '2026-01-01T00:00:00Z', level: 1 },
  recording: { seed: 1, from: {}, runs: [] },
  ...change,
});

describe('best attempts', () => {
  it.each<[string, Partial<BestAttempt>, Partial<BestAttempt>]>([
    ['won before lost', { won: true, ticks: 900 }, { score: 50 }],
    ['more stars', { won: true, stars: 3, ticks: 900 }, { won: true, stars: 2, score: 90 }],
    ['a higher score', { score: 40 }, { score: 30, ticks: 900 }],
    ['more sections', { sectionsPassed: 4 }, { sectionsPassed: 3, ticks: 900 }],
    ['sooner won', { won: true, ticks: 300 }, { won: true, ticks: 301 }],
    ['longer lasted', { ticks: 301 }, { ticks: 300 }],
  ])('come first by: %s', (_what, one, other) => {
    expect([like(other), like(one)].toSorted(better)[0]).toEqual(like(one));
  });

  it('say how an attempt went, with a recording of their own', () => {
    const state = startAttempt(makeWorld(prepareLevel(homeBeforeDusk(), 8)), 1);
    for (let tick = 0; tick < 200; tick++) step(state, 0);
    const recording = { seed: 1, from: {}, runs: [0, 200] };
    const attempt = attemptOf(state, recording, 7);
    expect(attempt).toMatchObject({ won: false, level: 7, ticks: state.tick });
    recording.runs.push(1, 1);
    expect(attempt.recording.runs).toEqual([0, 200]);
  });

  it('know their level by all that acts', () => {
    const demo = homeBeforeDusk();
    const mark = (position: number): number => levelMark(JSON.stringify(prepareLevel(demo, position)));
    expect(mark(8)).toBe(mark(8));
    expect(mark(8)).not.toBe(mark(18));
  });
});
