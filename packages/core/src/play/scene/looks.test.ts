import { describe, expect, it } from '@jest/globals';
import { prepareLevel } from '../movement/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { trialQuestion, DEFAULT_PRECISION } from '../../forecast/trials/index.ts';
import { COLOURS, looksAt, looksOf, markFigures, MARKS, sceneOf, type Figure } from './index.ts';

const reach = (figure: Figure): number => {
  switch (figure.is) {
    case 'circle':
      return Math.hypot(figure.x, figure.y) + figure.radius;
    case 'polygon':
    case 'line':
      return Math.max(...figure.points.map(Math.abs));
    default:
      return Math.max(
        Math.abs(figure.x),
        Math.abs(figure.x + figure.width),
        Math.abs(figure.y),
        Math.abs(figure.y + figure.height),
      );
  }
};

describe('marks', () => {
  it('are about two dozen, and no two are drawn alike', () => {
    const drawn = Object.keys(MARKS).map((mark) => JSON.stringify(markFigures({ mark, colour: 'ink' }, 0, 0, 1)));
    expect(drawn.length).toBeGreaterThanOrEqual(24);
    expect(new Set(drawn).size).toBe(drawn.length);
  });

  it.each(Object.keys(MARKS))('%s stays near its radius', (mark) => {
    for (const figure of markFigures({ mark, colour: 'claret' }, 0, 0, 1))
      expect(reach(figure)).toBeLessThanOrEqual(1.35);
  });

  it('that nobody knows is drawn as a disc', () => {
    expect(markFigures({ mark: 'unheard-of', colour: 'no-such' }, 0, 0, 1)).toEqual(
      markFigures({ mark: 'disc', colour: 'ink' }, 0, 0, 1),
    );
  });
});

describe('looks of kinds', () => {
  it('differ in their marks in the demo', () => {
    const { collectables, enemies } = looksOf(homeBeforeDusk());
    const marks = [...collectables, ...enemies].map(({ mark }) => mark);
    expect(new Set(marks).size).toBe(marks.length);
  });

  it('change the picture, and make no forecast stale', () => {
    const before = homeBeforeDusk();
    const after = homeBeforeDusk();
    after.kinds.enemies[0]!.look = { mark: 'web', colour: Object.keys(COLOURS)[1]! };
    const asked = (project: typeof before) => trialQuestion(project, 1, project.pacers[1]!, DEFAULT_PRECISION);
    expect(asked(after)).toEqual(asked(before));
    const drawn = (project: typeof before) => JSON.stringify(sceneOf(prepareLevel(project, 1), looksOf(project)));
    expect(drawn(after)).not.toBe(drawn(before));
  });

  it('of goals, zones and spawners are drawn on them, and make no forecast stale', () => {
    const before = homeBeforeDusk();
    const after = homeBeforeDusk();
    const position =
      1 +
      after.slots.findIndex(({ levelId }) => {
        const pieces = after.levels[levelId]!.ground.pieces.map(({ piece }) => piece);
        return pieces.includes('goal') && pieces.includes('spawner');
      });
    const ground = (project: typeof before) => project.levels[project.slots[position - 1]!.levelId]!.ground;
    const look = { mark: 'plus', colour: 'ink' };
    let marked = 0;
    for (const piece of ground(after).pieces)
      if (piece.piece === 'goal' || piece.piece === 'spawner') {
        piece.look = look;
        marked++;
      }
    const asked = (project: typeof before) => trialQuestion(project, position, project.pacers[1]!, DEFAULT_PRECISION);
    expect(asked(after)).toEqual(asked(before));
    const figures = (project: typeof before) =>
      sceneOf(prepareLevel(project, position), looksAt(project, ground(project))).flatMap((mark) => mark.figures);
    expect(figures(after).length - figures(before).length).toBe(marked);
  });
});
