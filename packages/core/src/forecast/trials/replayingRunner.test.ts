import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { PreparedLevel } from '../../play/attempt/index.ts';
import { prepareLevel } from '../../play/movement/index.ts';
import { literal, type Level, type Project } from '../../document/model/index.ts';
import { isPlayedAlike, replayingRunner } from './replayingRunner.ts';
import { depth, sampled } from '../../testing/index.ts';
import { levelRunner, seedOf } from './index.ts';

const ATTEMPTS = depth(6, 3);
const demo = homeBeforeDusk();
const steady = demo.pacers.find(({ id }) => id === 'steady')!;

function changed(position: number, change: (level: Level, project: Project) => void) {
  const project = homeBeforeDusk();
  change(project.levels[project.slots[position - 1]!.levelId]!, project);
  return prepareLevel(project, position);
}

/** Changes that leave the motion alone. */
const EDITS: readonly [what: string, change: (level: Level, project: Project) => void][] = [
  [
    'stars',
    (level) =>
      (level.stars = {
        is: 'ladder',
        reading: 'timeLeft',
        direction: 'atLeast',
        thresholds: [literal(5), literal(20)],
      }),
  ],
  [
    'thresholds of stars',
    (level) => {
      if (level.stars.is === 'ladder') level.stars.thresholds = [literal(3), literal(9), literal(15)];
    },
  ],
  ['a shorter clock', (level) => (level.clock.limitSeconds = literal(18))],
  ['a longer clock', (level) => (level.clock.limitSeconds = literal(80))],
  [
    'stars by conditions',
    (level) =>
      (level.stars = {
        is: 'conditions',
        conditions: [null, { id: 'clear-of-walls', is: 'onOff', reading: { reading: 'touchingWall' }, on: false }],
      }),
  ],
  ['the tie', (level) => (level.tie = level.tie === 'win' ? 'loss' : 'win')],
  [
    'what is asked for',
    (_level, project) => {
      const parameter = project.parameters.find(({ key }) => key === 'nectarNeeded')!;
      parameter.ramp = { shape: { type: 'hold', value: 0.35 } };
    },
  ],
  ['how soon a clock ends by grade', (level) => (level.clock.atExpiry = 'grade')],
];

describe('attempts that are judged again', () => {
  // Levels of every kind of ground, with milestones, tallies and latches.
  const positions = [5, 6, 8, 9, 14, 15, 16];
  it.each(
    sampled(
      positions.flatMap((position) => EDITS.map(([what, change]) => [what, position, change] as const)),
      3,
    ),
  )('come to what they come to when they are played: %s at slot %i', (_what, position, change) => {
    const first = replayingRunner(prepareLevel(demo, position));
    for (let i = 0; i < ATTEMPTS; i++) first.play(steady, seedOf(i));
    const level = changed(position, change);
    const [again, anew] = [replayingRunner(level, first), levelRunner(level)];
    for (let i = 0; i < ATTEMPTS; i++)
      expect([i, again.play(steady, seedOf(i))]).toEqual([i, anew.play(steady, seedOf(i))]);
  });

  it('are not played again where stars, the clock or the tie change', () => {
    const first = replayingRunner(prepareLevel(demo, 9));
    for (let i = 0; i < ATTEMPTS; i++) first.play(steady, seedOf(i));
    const share = (wanted: string): number => {
      const again = replayingRunner(changed(9, EDITS.find(([what]) => what === wanted)![1]), first);
      for (let i = 0; i < ATTEMPTS; i++) again.play(steady, seedOf(i));
      return again.judgedAgain() / ATTEMPTS;
    };
    for (const what of ['stars', 'thresholds of stars', 'a shorter clock', 'the tie'])
      expect([what, share(what)]).toEqual([what, 1]);
    expect(share('a longer clock')).toBeGreaterThan(0.5);
  });

  it('are judged again from one edit to the next, and played again where motion has changed', () => {
    const first = replayingRunner(prepareLevel(demo, 9));
    first.play(steady, seedOf(0));
    const second = replayingRunner(changed(9, EDITS[2]![1]), first);
    second.play(steady, seedOf(0));
    const third = replayingRunner(changed(9, EDITS[0]![1]), second);
    expect([third.play(steady, seedOf(0)), third.judgedAgain()]).toEqual([
      levelRunner(changed(9, EDITS[0]![1])).play(steady, seedOf(0)),
      1,
    ]);
    const faster = changed(9, (_level, project) => (project.kinds.enemies[0]!.speed = literal(5)));
    expect(isPlayedAlike(first.level as PreparedLevel, faster)).toBe(false);
    const moved = replayingRunner(faster, first);
    expect([moved.play(steady, seedOf(0)), moved.judgedAgain()]).toEqual([
      levelRunner(faster).play(steady, seedOf(0)),
      0,
    ]);
  });
});
