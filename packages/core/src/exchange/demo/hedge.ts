import { drawnSection, type SectionLegend } from '../../authoring/building/index.ts';
import type { Ground, Section } from '../../document/model/index.ts';

/** Rows of the hedge's grounds, and the row in which its top begins. */
const HEIGHT = 10;
const TOP = 8;
/** Cells of the run-up. */
const RUN_UP = 14;

const LEGEND: SectionLegend = {
  c: { piece: 'collectable', kind: 'clover' },
  l: { piece: 'collectable', kind: 'lavender' },
  r: { piece: 'collectable', kind: 'royal-bloom' },
  t: { piece: 'hazard', kind: 'thorn' },
};

/** The stretches of the long hedge, tier by tier: the rows above its top, and where its top is open. */
const STRETCHES: readonly (readonly [name: string, tier: number, above: readonly string[], top: string])[] = [
  [
    'A gap to hop',
    1,
    ['..........cc..........', '......................', '..c.c..........c.c....'],
    '##########..##########',
  ],
  [
    'Trimmed flat',
    1,
    ['......................', '......................', '..c.c.c....c.c.c......'],
    '######################',
  ],
  [
    'A stump',
    1,
    ['.........ll...........', '......................', '..c.......#.......c...'],
    '######################',
  ],
  [
    'First thorn',
    1,
    ['..........c...........', '.........c.c..........', '..c.......t......c.c..'],
    '######################',
  ],
  [
    'Two hops',
    1,
    ['......cc......cc......', '......................', '..c.......c.......c...'],
    '######..######..######',
  ],
  [
    'Clover bank',
    1,
    ['..........l...........', '......................', '..c.c.c.c.c.c.c.c.....'],
    '######################',
  ],
  [
    'A wide gap',
    2,
    ['.........lll..........', '......................', '..c............c.c....'],
    '#########...##########',
  ],
  [
    'Low bough',
    2,
    ['.........####.........', '.........####.........', '..c......cc.....c.c...'],
    '######################',
  ],
  [
    'Stumps in a row',
    2,
    ['.....l.......l........', '......................', '..c..#..c....#...c....'],
    '######################',
  ],
  [
    'Thorn and gap',
    2,
    ['.....c.......cc.......', '......................', '..c..t............c...'],
    '#############..#######',
  ],
  [
    'Bough and stump',
    2,
    ['......###.............', '......###.......l.....', '..c...cc.......#...c..'],
    '######################',
  ],
  [
    'Lavender hops',
    2,
    ['.....ll.......lll.....', '......................', '..c.......c.......c...'],
    '#####..#######...#####',
  ],
  [
    'A wide leap',
    3,
    ['........llll..........', '......................', '..c..............c.c..'],
    '########....##########',
  ],
  [
    'Two boughs',
    3,
    ['.....###......###.....', '.....###......###.....', '..c..cc...c...cc...c..'],
    '######################',
  ],
  [
    'Thorns in a row',
    3,
    ['.....c......c.........', '......................', '..c..t......t.....c...'],
    '######################',
  ],
  [
    'Gap and bough',
    3,
    ['....ll.......####.....', '.............####.....', '..c...........cc...c..'],
    '####...###############',
  ],
  [
    'Stump and gap',
    3,
    ['......l........ll.....', '......................', '..c...#............c..'],
    '##############...#####',
  ],
  [
    'Three hops',
    3,
    ['....cc....cc....cc....', '......................', '..c....c.....c........'],
    '####..####..####..####',
  ],
  [
    'The broken hedge',
    4,
    ['.....rlll.....lll.....', '......................', '..c.......c...........'],
    '#####....#####...#####',
  ],
  [
    'Bough over thorns',
    4,
    ['....l.......####......', '............####......', '..c.t........r......c.'],
    '######################',
  ],
  [
    'Leap and slide',
    4,
    ['....llr......####.....', '.............####.....', '..c......c....ll...c..'],
    '####...###############',
  ],
  [
    'Thorn, gap, thorn',
    4,
    ['....c.....ll......c...', '......................', '..c.t.............t...'],
    '#########....#########',
  ],
  [
    'Stump, bough, gap',
    4,
    ['....l...####....rl....', '........####..........', '....#....cc...........'],
    '################..####',
  ],
  [
    'The last leap',
    4,
    ['.....lll......llr.....', '......................', '..c.................c.'],
    '#####...######....####',
  ],
];

/** The hedge as a run. @param tiers number of its four tiers */
export function longHedge(tiers: number): Ground {
  const sections = STRETCHES.filter(([, tier]) => tier <= tiers).map(([name, tier, above, top]): Section =>
    drawnSection(name, tier, [...above, top, top], HEIGHT, LEGEND),
  );
  return {
    kind: 'run',
    rows: Array.from({ length: HEIGHT }, (_, y) => (y >= TOP ? '#' : '.').repeat(RUN_UP)),
    pieces: [{ id: 'start', piece: 'start', at: { x: 2.5, y: TOP - 0.5 } }],
    drawnBy: 'sectionsPassed',
    sections,
  };
}
