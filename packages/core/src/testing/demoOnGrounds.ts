import {
  homeBeforeDusk,
  eachTime,
  gathered,
  group,
  home,
  lost,
  nectarAtLeast,
  needed,
  on,
  once,
  won,
} from '../exchange/demo/index.ts';
import { literal, type Level, type Project, type Rule } from '../document/model/index.ts';

const usual = (): Rule => won(nectarAtLeast(needed), home(0.5));
const stars = (reading: 'timeLeft' | 'lives', ...thresholds: [number, number]): Level['stars'] => ({
  ...{ is: 'ladder', reading, direction: 'atLeast' },
  thresholds: [null, ...thresholds.map(literal)],
});

/** How the levels that a bout decides in the demo are won and lost on their grounds. */
const ON_GROUND: Readonly<Record<string, Partial<Pick<Level, 'rules' | 'stars' | 'clock'>>>> = {
  'orchard-round': { rules: [usual()], stars: stars('lives', 3, 4) },
  'snail-shell': {
    rules: [
      won(
        gathered('clover', 1, 'a-clover'),
        gathered('lavender', 1, 'a-lavender'),
        gathered('royal-bloom', 1, 'a-bloom'),
        home(0.5),
      ),
      once(
        'calls',
        group(
          'one-each',
          'all',
          gathered('clover', 1, 'c1'),
          gathered('lavender', 1, 'l1'),
          gathered('royal-bloom', 1, 'r1'),
        ),
        { effect: 'cue', name: 'The hive hums', at: 'hive' },
        { effect: 'message', text: 'The hive calls!', seconds: literal(3) },
      ),
    ],
  },
  'hedge-and-ditch': {
    rules: [usual(), lost('ditch', 'Fell into the ditch', on('fell', { reading: 'offGround' }))],
  },
  'the-mown-rows': {
    rules: [
      usual(),
      eachTime('under-the-mower', on('touches-mower', { reading: 'touching', kind: 'mower' }), {
        effect: 'loseLife',
        lives: literal(1),
        back: 'checkpoint',
        resets: [],
      }),
    ],
    clock: {
      ...{ limitSeconds: { from: 'parameter', parameter: 'clock' }, warnAtSeconds: literal(12), parSeconds: null },
      ...{ starts: 'condition', startsWhen: gathered('any', 1, 'first-flower'), atExpiry: 'lose' },
    },
  },
};

/** The demo with every level decided on its ground. */
export function demoOnGrounds(): Project {
  const project = homeBeforeDusk();
  for (const [id, told] of Object.entries(ON_GROUND)) {
    const level = project.levels[id]!;
    delete level.bout;
    level.standingRulesOff = [];
    const clock = { ...level.clock, limitSeconds: { from: 'parameter' as const, parameter: 'clock' } };
    Object.assign(level, { stars: stars('timeLeft', 12, 22), clock: { ...clock, warnAtSeconds: literal(12) } }, told);
  }
  return JSON.parse(JSON.stringify(project)) as Project;
}
