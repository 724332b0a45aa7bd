import { drawGround } from '../exchange/demo/index.ts';
import { demoOnGrounds } from './demoOnGrounds.ts';
import type { Project } from '../document/model/index.ts';
import { is, rule } from './garden.ts';

/** One bridge over a ditch. */
const DITCH = [
  '########################',
  '#......c....~..l.......#',
  '#..S........~.......H..#',
  '#.....c.....~..c.......#',
  '#...........~......c...#',
  '#..l....c..............#',
  '#..................l.c.#',
  '#..c...............h...#',
  '#..........r...........#',
  '#.....l.....~..c....l..#',
  '#..c......w.~......1...#',
  '#......c....~.l.....c..#',
  '#..........N~..........#',
  '########################',
];

/** Webs at three bends of a way that winds inwards. */
const WEBS = [
  '########################',
  '#......c.....l.......c.#',
  '#.S.......x............#',
  '#...################...#',
  '#...#......c.......#.l.#',
  '#.c.#..l........w..#...#',
  '#...#....######....#...#',
  '#...#.c..#r.H.l..1.#.c.#',
  '#.l.#....#.............#',
  '#...#....###########..x#',
  '#...#...h...c..........#',
  '#.c.#.l.........l....c.#',
  '#......c..N..x.c.......#',
  '########################',
];

/** The demo with two of its grounds as plans on which something lies still that ends an attempt: a ditch at slot 14, webs at slot 23. */
export function withStandingHazards(): Project {
  const project = demoOnGrounds();
  const [ditch, webs] = [project.levels['hedge-and-ditch']!, project.levels['the-mown-rows']!];
  ditch.ground = drawGround(DITCH, 'left to right');
  webs.ground = drawGround(WEBS, 'left to right');
  webs.rules = [
    webs.rules[0]!,
    rule('caught', is('in-web', { reading: 'touching', kind: 'web' }), [{ effect: 'lose', cause: 'Caught in a web' }]),
  ];
  return project;
}
