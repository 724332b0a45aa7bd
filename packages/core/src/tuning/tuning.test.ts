import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../demo/index.ts';
import { moversOf } from './index.ts';

const steady = homeBeforeDusk().pacers[1]!;

describe('what moves a level', () => {
  it('asks only the parameters that act there', () => {
    const project = homeBeforeDusk();
    // No beetle stands at level 13: what a level does not have cannot move it.
    expect(moversOf(project, 13, steady).keys).toContain('hornetSpeed');
    const clock = project.levels[project.slots[12]!.levelId]!.clock;
    clock.limitSeconds = null;
    expect(moversOf(project, 13, steady).keys).not.toContain('clock');
  });

  it('finds that faster hornets are harder, surely, and ranks them by size', () => {
    const trials = moversOf(homeBeforeDusk(), 13, steady);
    trials.play(300);
    const { attempts, cleared, movers } = trials.read();
    expect(attempts).toBe(1800);
    expect(cleared).toBeGreaterThan(240);
    expect(cleared).toBeLessThan(1700);
    const speed = movers.find(({ key }) => key === 'hornetSpeed')!;
    expect(speed.effect).toBeLessThan(-0.02);
    expect(speed.interval.high).toBeLessThan(0);
    expect(movers.map(({ effect }) => Math.abs(effect))).toEqual(
      movers.map(({ effect }) => Math.abs(effect)).toSorted((a, b) => b - a),
    );
  }, 60_000);

  it('says nothing where everybody clears it', () => {
    const project = homeBeforeDusk();
    const level = project.levels[project.slots[12]!.levelId]!;
    level.ground.pieces = level.ground.pieces.filter((piece) => piece.piece !== 'enemy' && piece.piece !== 'spawner');
    level.clock.limitSeconds = null;
    project.player.health = { from: 'number', value: 1e5 };
    const trials = moversOf(project, 13, steady);
    trials.play(1);
    expect(trials.read().movers).toEqual([]);
  }, 60_000);

  it('gives the same answer again', () => {
    const [one, two] = [moversOf(homeBeforeDusk(), 9, steady), moversOf(homeBeforeDusk(), 9, steady)];
    one!.play(4);
    two!.play(2);
    two!.play(2);
    expect(two!.read()).toEqual(one!.read());
  }, 60_000);
});
