import { prepareLevel } from '@stadion/core/play/movement';
import { homeBeforeDusk, manyLevels } from '@stadion/core/exchange/demo';
import { handOffOf } from '@stadion/core/exchange/formats';
import { speedOfBouts } from './bouts.ts';
import { speedOfTuning } from './tuning.ts';
import { speedOfFindings } from './findings.ts';
import { usualPacers } from '@stadion/core/document/model';
import { rampTable } from '@stadion/core/document/ramps';
import { DEFAULT_PRECISION, emptyTally, isPreciseEnough, playBatch, levelRunner } from '@stadion/core/forecast/trials';
import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { timeToEstimate } from './estimate.ts';
import { speedOfKinds } from './kinds.ts';
import { eventsTold } from './events.ts';
import { lanesAtScale } from './lanes.ts';
import { benchWorld, playMatter, playOurs } from './scene.ts';

const ROUNDS = 5;

const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const say = (what: string, value: string, bar = ''): void =>
  console.log(`${what.padEnd(52)} ${value.padStart(18)}   ${bar}`);

/** Milliseconds of the middle one of several runs. */
function time(work: () => void, rounds = ROUNDS): number {
  work();
  return middle(
    Array.from({ length: rounds }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

/** Simulated seconds per second of ours and of the general-purpose package, in turns, so that both meet the same noise. */
function throughput(): void {
  const world = benchWorld();
  playOurs(world, 60, 0);
  playMatter(1);
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    let start = performance.now();
    const our = playOurs(world, 40, round * 40);
    ours.push(our / ((performance.now() - start) / 1000));
    start = performance.now();
    const their = playMatter(1);
    theirs.push(their / ((performance.now() - start) / 1000));
  }
  const ratios = ours.map((value, round) => value / theirs[round]!);
  say(
    'simulated s per s and core, 20 movers',
    middle(ours).toFixed(0),
    'bar 12,000 on the machine where matter-js does 400',
  );
  say('matter-js, the same scene', middle(theirs).toFixed(0));
  say('ratio', middle(ratios).toFixed(1), 'bar 30, aim 60');
}

function allocation(): void {
  const game = levelRunner(prepareLevel(homeBeforeDusk(), 9));
  const pacer = usualPacers()[1]!;
  playBatch(game, pacer, 0, 200, emptyTally());
  const attempts = 40;
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  playBatch(game, pacer, 1000, attempts, emptyTally());
  say('allocated per attempt, kB', ((process.memoryUsage().heapUsed - before) / attempts / 1024).toFixed(0), 'bar 100');
}

function trials(): void {
  const project = homeBeforeDusk();
  const pacer = usualPacers()[1]!;
  let attempts = 0;
  const start = performance.now();
  for (let position = 1; position <= 24; position += 3) {
    const game = levelRunner(prepareLevel(project, position));
    const tally = emptyTally();
    while (!isPreciseEnough(tally, DEFAULT_PRECISION)) playBatch(game, pacer, tally.attempts, 20, tally);
    attempts += tally.attempts;
  }
  const seconds = (performance.now() - start) / 1000;
  say('whole attempts per s and core, demo levels', (attempts / seconds).toFixed(0));
  say('±3 points at 8 demo levels, s each', (seconds / 8).toFixed(2));
}

/** Scripts that a script loads before it runs, itself among them. */
function withImports(folder: string, file: string, seen = new Set<string>()): Set<string> {
  if (seen.has(file)) return seen;
  seen.add(file);
  const text = fs.readFileSync(path.join(folder, file), 'utf8');
  // Imports that are awaited come later: they are written `import(…)`.
  for (const [, name] of text.matchAll(/(?:from|import)\s*["']\.\/([^"']+\.js)["']/g)) withImports(folder, name!, seen);
  return seen;
}

/** Bytes that a browser downloads until the level screen is drawn, and bytes that come when needed. */
function bytes(): void {
  const dist = path.join(import.meta.dirname, '../packages/web/dist');
  const folder = path.join(dist, 'assets');
  const size = (file: string): number => gzipSync(fs.readFileSync(path.join(folder, file))).length / 1024;
  const all = fs.readdirSync(folder).filter((file) => /\.(js|css)$/.test(file));
  const page = fs.readFileSync(path.join(dist, 'index.html'), 'utf8');
  const first = new Set([...page.matchAll(/assets\/([^"]+\.(?:js|css))/g)].map(([, file]) => file!));
  const roots = [...first, ...all.filter((file) => /^(WorkLayout|LevelPage)-.*js$/.test(file))];
  for (const file of roots) if (file.endsWith('.js')) withImports(folder, file, first);
  const sum = (files: Iterable<string>): string =>
    `${[...files].reduce((total, file) => total + size(file), 0).toFixed(0)} kB gz`;
  say('web: first load, with the level screen', sum(first), 'bar 350');
  say('web: comes when needed', sum(all.filter((file) => !first.has(file))));
  const runtime = gzipSync(
    fs.readFileSync(path.join(import.meta.dirname, '../packages/runtime/dist/stadion-runtime.js')),
  );
  say('runtime for games, bytes gz', String(runtime.length), 'bar 12,000');
}

throughput();
speedOfKinds(say);
allocation();
trials();
const large = manyLevels(500, 60);
say('all ramps of 500 × 60, ms', time(() => rampTable(large)).toFixed(1), 'bar 16');
const formulas = {
  ...large,
  parameters: large.parameters.map((parameter, index) => {
    const before = large.parameters[index - 1]?.key;
    const text = before === undefined ? 'level / levels' : `if(level % 4 == 0, ${before}, ${before} * 0.9 + tier)`;
    return { ...parameter, ramp: { shape: { type: 'formula' as const, text } } };
  }),
};
say('500 × 60, each a formula of the one before, ms', time(() => rampTable(formulas)).toFixed(1), 'bar 16');
const table = rampTable(large);
const [first, ...others] = large.parameters;
const edited = {
  ...large,
  parameters: [{ ...first!, ramp: { shape: { type: 'hold' as const, value: 1 } } }, ...others],
};
say('ramps after an edit of one of them, ms', time(() => rampTable(edited, 500, { project: large, table })).toFixed(2));
speedOfFindings(say);
const demo = homeBeforeDusk();
say('hand-off of the demo, ms', time(() => handOffOf(demo)).toFixed(1));
say('hand-off of 500 levels, ms', time(() => handOffOf(manyLevels(500, 7)), 3).toFixed(0));
speedOfTuning(say);
speedOfBouts(say);
await eventsTold(say);
await lanesAtScale(say);
await timeToEstimate(say);
bytes();
