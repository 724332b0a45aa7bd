import { judgingOf, resolvingAt } from '../attempt/index.ts';
import type { Bouts, Level, LevelBout, Project } from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import {
  emptyObserved,
  makeJudge,
  READINGS,
  secondsToTicks,
  type Judge,
  type Judging,
  type LiveRamp,
  type Observed,
  type ObservedSizes,
  type StartingJudge,
} from '../rules/index.ts';
import { makeBoutWorld, standingNow, startBout, type BoutState, type BoutWorld } from './bout.ts';
import type { PreparedBout } from './prepared.ts';
import { meetingOf, prepareBout } from './statistics.ts';

/** Seconds of the clock that one turn takes where the project does not say. */
export const USUAL_TURN_SECONDS = 2;

/** Ticks of the clock that one turn takes. */
export const turnTicksOf = ({ turnSeconds }: Pick<Bouts, 'turnSeconds'>): number =>
  Math.max(1, secondsToTicks(turnSeconds ?? USUAL_TURN_SECONDS));

/** A level that is decided by a bout, at one slot, with every number resolved: plain data, as a level with a ground is. */
export interface PreparedBoutLevel {
  kind: 'bout';
  judging: Judging;
  bout: PreparedBout;
  /** Ticks of the clock that one turn takes. */
  turnTicks: number;
  /** Index in the project of each fighter, the party first. */
  places: number[];
  sizes: ObservedSizes;
  /** Values of the parameters that change during the attempt, and those of them that follow a reading. */
  dials: number[];
  liveRamps: LiveRamp[];
}

/** A level decided by a bout, made ready for any number of attempts. */
export interface BoutLevelWorld {
  level: PreparedBoutLevel;
  bout: BoutWorld;
  judge: Judge;
  scoreTerms: Observed['scoreTerms'];
  /** Does it matter for how long conditions hold? Else it is judged once a turn. */
  isTimed: boolean;
}

/** A project that has fights. */
export type WithBouts = Project & { bouts: Bouts };

/** Resolves a level that is decided by a bout. @param position from 1 @param given values of all parameters, where they are others than the project's there */
export function prepareBoutLevel(
  project: WithBouts,
  level: Level,
  decides: LevelBout,
  position: number,
  given?: Values,
): PreparedBoutLevel {
  const resolving = resolvingAt(project, level, position, given);
  const { values, subjects, dials, liveRamps } = resolving;
  const { kinds, tallies, bouts } = project;
  const bout = prepareBout(bouts, meetingOf(project, decides, position, values));
  const all = [...bout.ours, ...bout.theirs];
  return {
    kind: 'bout',
    judging: judgingOf(project, level, resolving),
    bout: withoutNames(bout),
    turnTicks: turnTicksOf(bouts),
    places: all.map(({ id }) => subjects.fighter.get(id) ?? -1),
    sizes: {
      ...{ collectables: kinds.collectables.length, enemies: kinds.enemies.length, hazards: kinds.hazards.length },
      ...{ zones: subjects.zone.size, latches: subjects.latch.size, gates: subjects.gate.size },
      ...{ phases: subjects.phase.size, tallies: tallies.length, fighters: bouts.fighters.length },
    },
    dials: [...dials.keys()].map((key) => values[key] ?? 0),
    liveRamps,
  };
}

/** Renaming never makes a forecast stale. */
export const withoutNames = (bout: PreparedBout): PreparedBout => ({
  ...bout,
  statistics: bout.statistics.map((each) => ({ ...each, name: '' })),
  actions: bout.actions.map((each) => ({ ...each, name: '' })),
  ours: bout.ours.map((each) => ({ ...each, name: '' })),
  theirs: bout.theirs.map((each) => ({ ...each, name: '' })),
});

export function makeBoutLevelWorld(level: PreparedBoutLevel): BoutLevelWorld {
  const { rules, tie, stars, clockStart, score } = level.judging;
  const judge = makeJudge(rules, tie, { stars, clockStart });
  return {
    ...{ level, judge, bout: makeBoutWorld(level.bout) },
    scoreTerms: score.map(({ reading, ...term }) => ({ ...term, reading: READINGS[reading] })),
    isTimed:
      rules.some(({ fires }) => fires === 'every') ||
      judge.nodes.some((node) => 'heldTicks' in node && node.heldTicks > 0),
  };
}

/** Shows the judge how a bout stands. @param rounds of bouts before this one */
export function observeBout({ level }: BoutLevelWorld, seen: Observed, bout: BoutState, rounds: number): void {
  const { places, sizes } = level;
  const { fallen, beaten, health, shares } = standingNow(bout, places, sizes.fighters);
  const { ours, fighters } = bout.world;
  const theirs = fighters.length - ours;
  seen.healthShares = shares;
  seen.rounds = rounds + bout.round;
  seen.fallen = fallen;
  seen.health = health;
  seen.sidesBeaten[0] = fallen === ours ? 1 : 0;
  seen.sidesBeaten[1] = beaten === theirs ? 1 : 0;
  seen.enemiesLeft[sizes.enemies] = theirs - beaten;
  seen.enemiesBeaten[sizes.enemies] = beaten;
}

/** Returns the readings before the first turn. */
export function startObservedBout(world: BoutLevelWorld, bout: BoutState): Observed {
  const { judging, sizes } = world.level;
  const observed = emptyObserved(sizes);
  observed.limitTicks = judging.limitTicks;
  observed.lives = judging.lives;
  observed.scoreTerms = world.scoreTerms;
  judging.tallies.forEach((start, index) => (observed.tallies[index] = start));
  observeBout(world, observed, bout, 0);
  return observed;
}

/** The judge of a level decided by a bout with what it sees before the first turn: for judging cases without playing. */
export function startingBoutJudgeOf(level: PreparedBoutLevel): StartingJudge {
  const world = makeBoutLevelWorld(level);
  const start = startObservedBout(world, startBout(world.bout, 0));
  return { judge: world.judge, start, atExpiry: level.judging.atExpiry };
}
