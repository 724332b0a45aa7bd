import { startAttempt, step, type World } from '@stadion/core/play/attempt';
import { START_KITS, startGoals, startProject, type StartMoves } from '@stadion/core/authoring/building';
import { makeWorld, prepareLevel } from '@stadion/core/play/movement';
import { usualPacers } from '@stadion/core/document/model';
import { drawPlayer, makePlayer, playerInput } from '@stadion/core/forecast/pacers';

const ROUNDS = 5;
const POSITION = 8;
/** Simulated seconds of one round of one kind. */
const ROUND_SECONDS = 400;

const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Plays for a number of simulated seconds. Returns simulated seconds per second. */
function speedOn(worlds: readonly World[], round: number): number {
  const pacer = usualPacers()[1]!;
  const start = performance.now();
  let ticks = 0;
  for (let seed = round * 1000; ticks < ROUND_SECONDS * 60; seed++) {
    const state = startAttempt(worlds[seed % worlds.length]!, seed);
    const player = makePlayer(state, drawPlayer(pacer, seed), seed);
    while (state.phase === 'playing') step(state, playerInput(player, state));
    ticks += state.tick;
  }
  return ticks / 60 / ((performance.now() - start) / 1000);
}

/** Every kind of ground beside roam: the eighth of twelve levels of each start, a Steady player, in turns so that all meet the same noise. */
export function speedOfKinds(say: (what: string, value: string, bar?: string) => void): void {
  const kinds = Object.keys(START_KITS) as StartMoves[];
  const worlds = new Map(
    kinds.map((moves) => [
      moves,
      Object.keys(startGoals(moves)).map((goal) =>
        makeWorld(prepareLevel(startProject({ moves, goal, levels: 12 }), POSITION)),
      ),
    ]),
  );
  const measured = new Map(kinds.map((moves) => [moves, [] as number[]]));
  for (const moves of kinds) speedOn(worlds.get(moves)!, 99);
  for (let round = 0; round < ROUNDS; round++)
    for (const moves of kinds) measured.get(moves)!.push(speedOn(worlds.get(moves)!, round));
  const roam = measured.get('roam')!;
  for (const moves of kinds) {
    const speeds = measured.get(moves)!;
    const ratio = middle(speeds.map((speed, round) => speed / roam[round]!));
    say(
      `${moves}: simulated s per s and core; share of roam's`,
      `${middle(speeds).toFixed(0)}; ${ratio.toFixed(2)}`,
      'bar 1000 s',
    );
  }
}
