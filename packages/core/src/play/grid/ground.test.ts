import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  cellAt,
  DistanceMaps,
  HEADING_VECTORS,
  isInSight,
  makeGrid,
  moveBody,
  nearestHeading,
  nextCellTowards,
  UNREACHABLE,
  wayIsClear,
} from './index.ts';

const room = makeGrid(['#######', '#.....#', '#.###.#', '#...#.#', '#######']);
const cell = (x: number, y: number) => y * room.width + x;

describe('distances', () => {
  // Computed by hand: from (3,3) left to (1,3) is 10, up to (1,1) 10, right to (5,1) 20, down to (5,3) 10; corners may not be cut.
  it.each([
    [3, 3, 0],
    [2, 3, 5],
    [1, 3, 10],
    [1, 1, 20],
    [5, 1, 40],
    [5, 3, 50],
  ])('from %d, %d around the wall is %d fifths', (x, y, expected) => {
    expect(new DistanceMaps(room).to(cell(3, 3))[cell(x, y)]).toBe(expected);
  });

  it('counts a diagonal step in the open as 7 fifths', () => {
    const open = makeGrid(['...', '...', '...']);
    expect(new DistanceMaps(open).to(0)[8]).toBe(14);
  });

  it('says where nothing leads', () => {
    const split = makeGrid(['.#.', '.#.']);
    expect(new DistanceMaps(split).to(0)[2]).toBe(UNREACHABLE);
  });

  it('lead downhill all the way, from every open cell', () => {
    const row = new DistanceMaps(room).to(cell(5, 3));
    let at = cell(3, 3);
    let steps = 0;
    while (at !== cell(5, 3) && steps++ < 30) at = nextCellTowards(room, row, at);
    expect(at).toBe(cell(5, 3));
  });
});

describe('wayIsClear', () => {
  it.each([
    ['along the corridor', 1.5, 1.5, 5.5, 1.5, true],
    ['through the block', 3.5, 1.5, 3.5, 3.5, false],
    ['down the side', 1.5, 1.5, 1.5, 3.5, true],
  ])('%s', (_name, x1, y1, x2, y2, expected) => {
    expect(wayIsClear(room, { x: x1, y: y1, radius: 0.3 }, { x: x2, y: y2 })).toBe(expected);
  });
});

describe('sight', () => {
  const pillar = makeGrid(['.....', '.....', '..#..', '.....', '.....']);
  it.each([
    ['past the pillar', 0.5, 1.5, 4.5, 1.5, true],
    ['straight at it', 0.5, 2.5, 4.5, 2.5, false],
    ['through a corner of it, by a hair', 1.95, 2.9, 2.1, 3.05, false],
    ['just beside that corner', 1.9, 2.95, 2.05, 3.1, true],
    ['nowhere', 1.5, 1.5, 1.5, 1.5, true],
    ['into it', 0.5, 0.5, 2.5, 2.5, false],
  ])('%s', (_name, x1, y1, x2, y2, expected) => {
    expect(isInSight(pillar, { x: x1, y: y1 }, { x: x2, y: y2 })).toBe(expected);
  });
});

describe('something wider than a cell', () => {
  const pillar = makeGrid(['.......', '.......', '.......', '...#...', '.......', '.......', '.......']);
  it('is stopped by a pillar of one cell, and finds no way through it', () => {
    const body = { x: 1, y: 3.5, vx: 3, vy: 0, radius: 0.9 };
    expect(wayIsClear(pillar, body, { x: 5.5, y: 3.5 })).toBe(false);
    for (let i = 0; i < 200; i++) {
      body.vx = 3;
      moveBody(pillar, body, 1 / 60);
    }
    expect(body.x).toBeCloseTo(3 - 0.9, 5);
  });
});

describe('moveBody', () => {
  it('slides along a wall', () => {
    const body = { x: 1.5, y: 1.35, vx: 2, vy: -2, radius: 0.3 };
    for (let i = 0; i < 30; i++) {
      body.vx = 2;
      body.vy = -2;
      moveBody(room, body, 1 / 60);
    }
    expect(body.y).toBeCloseTo(1.3, 5);
    expect(body.x).toBeCloseTo(2.5, 5);
  });

  it('is not stopped by a wall that it only touches beside its way', () => {
    // 2.7 + 0.3 is 3, exactly: the first row of the lower wall.
    const floor = makeGrid(['......', '......', '......', '######']);
    for (const vx of [-2, 2, -1e-300, 1e-300]) {
      const body = { x: 3.5, y: 2.7, vx, vy: 0, radius: 0.3 };
      moveBody(floor, body, 1 / 60);
      expect([body.x, body.vx]).toEqual([3.5 + vx / 60, vx]);
    }
  });

  it('never lets a body into a wall, whatever its speed', () => {
    const velocity = fc.double({ min: -200, max: 200, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(velocity, velocity), { minLength: 1, maxLength: 40 }), (pushes) => {
        const body = { x: 1.5, y: 1.5, vx: 0, vy: 0, radius: 0.32 };
        for (const [vx, vy] of pushes) {
          body.vx = vx;
          body.vy = vy;
          moveBody(room, body, 1 / 60);
          for (const dx of [-0.32, 0.32]) {
            for (const dy of [-0.32, 0.32]) expect(room.walls[cellAt(room, body.x + dx, body.y + dy)]).toBe(0);
          }
        }
      }),
    );
  });
});

describe('headings', () => {
  it('are unit vectors, each its own nearest', () => {
    HEADING_VECTORS.forEach(([x, y], heading) => {
      expect(x * x + y * y).toBeCloseTo(1, 14);
      expect(nearestHeading(x * 3, y * 3)).toBe(heading);
    });
    expect(nearestHeading(0, 0)).toBe(-1);
  });
});
