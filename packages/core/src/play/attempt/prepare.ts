import type { Amount, Level, PieceName, Project } from '../../document/model/index.ts';
import { valuesAt, type Values } from '../../document/ramps/index.ts';
import {
  changedParameters,
  liveAmount,
  liveParameters,
  liveRampsOf,
  resolveAmount,
  resolveCondition,
  resolveRules,
  resolveStars,
  rulesOf,
  secondsToTicks,
  subjectOf,
  type Resolving,
} from '../rules/index.ts';
import { following, MOST, shootingOf, within } from './following.ts';
import type { PreparedLevel } from './level.ts';
import { placedOn, subjectsOf } from './pieces/facts.ts';
import { bySort, PIECES } from './pieces/index.ts';
import type { GroundKind, Preparing } from './types.ts';

/** Returns the facts that resolve a level's rules at a position. @param given values of all parameters, where they are not the ramps' own */
export function resolvingAt(project: Project, level: Level, position: number, given?: Values): Resolving {
  const values = given ?? valuesAt(project, position);
  const changed = changedParameters(rulesOf(project, level).map(({ rule }) => rule));
  const live = liveParameters(project, project.slots[position - 1]?.id);
  const dials = new Map([...new Set([...changed, ...live])].map((key, index) => [key, index]));
  return {
    values,
    placed: placedOn(project, level, values),
    subjects: subjectsOf(project, level),
    dials,
    liveRamps: liveRampsOf(project, position, values, dials),
  };
}

/** Returns the facts that preparing needs. */
function preparingOf(project: Project, level: Level, resolving: Resolving): Preparing {
  const preparing: Preparing = {
    project,
    level,
    resolving,
    number: (amount) => resolveAmount(amount, resolving.values, resolving.placed),
    pieces(list) {
      const pieces: Record<PieceName, unknown[]> = bySort(() => []);
      for (const piece of list) {
        const sort = PIECES[piece.piece];
        pieces[sort.name].push(sort.prepare(piece, preparing));
      }
      return pieces;
    },
  };
  return preparing;
}

/** Resolve a level of which it is known already what its names and parameters stand for. */
export function prepareOn(kind: GroundKind, project: Project, level: Level, resolving: Resolving): PreparedLevel {
  const preparing = preparingOf(project, level, resolving);
  return {
    kind: level.ground.kind,
    motion: motionOf(kind, preparing),
    judging: judgingOf(project, level, resolving),
  };
}

function motionOf(kind: GroundKind, preparing: Preparing): PreparedLevel['motion'] {
  const { project, level, resolving, number } = preparing;
  const { collectables, enemies, hazards } = project.kinds;
  const { player } = project;
  const { shooting } = player;
  return {
    rows: level.ground.rows,
    player: {
      radius: player.radius,
      graceTicks: secondsToTicks(player.graceSeconds),
      health: within(number(player.health), 0, MOST),
      ...following('liveHealth', player.health, preparing),
      shooting: shooting && {
        ...shootingOf(shooting, preparing),
        aimsAtNearest: shooting.aim === 'nearest',
        damage: within(number(shooting.damage), 0, MOST),
        ...following('liveDamage', shooting.damage, preparing),
        ammunition: shooting.ammunition === null ? -1 : Math.round(within(number(shooting.ammunition), 0, MOST)),
      },
    },
    body: kind.prepare(preparing),
    pieces: preparing.pieces(level.ground.pieces),
    kindsOfHazard: hazards.map(({ damage, acts }) => ({
      damage: within(number(damage), 0, MOST),
      ...following('liveDamage', damage, preparing),
      perSecond: acts === 'perSecond',
    })),
    kindsOfCollectable: collectables.length,
    kindsOfEnemy: enemies.length,
    dials: [...resolving.dials.keys()].map((key) => resolving.values[key] ?? 0),
    ...(resolving.liveRamps.length > 0 ? { liveRamps: resolving.liveRamps } : {}),
  };
}

/** How attempts at a level are judged, whatever they are played on. */
export function judgingOf(project: Project, level: Level, resolving: Resolving): PreparedLevel['judging'] {
  const number = (amount: Amount): number => resolveAmount(amount, resolving.values, resolving.placed);
  const { clock } = level;
  const liveLimit = clock.limitSeconds && liveAmount(clock.limitSeconds, resolving);
  return {
    rules: resolveRules(
      rulesOf(project, level).map(({ rule }) => rule),
      resolving,
    ),
    tie: level.tie,
    limitTicks: clock.limitSeconds === null ? -1 : secondsToTicks(number(clock.limitSeconds)),
    ...(liveLimit ? { liveLimit } : {}),
    warnAtTicks: clock.warnAtSeconds === null ? 0 : secondsToTicks(number(clock.warnAtSeconds)),
    clockStarts: clock.starts,
    clockStart: clock.starts === 'condition' && clock.startsWhen ? resolveCondition(clock.startsWhen, resolving) : null,
    atExpiry: clock.atExpiry === 'win' ? 'won' : clock.atExpiry === 'lose' ? 'lost' : 'grade',
    lives: Math.max(0, Math.round(number(project.run.livesAtStart))),
    stars: resolveStars(level.stars, resolving),
    score: project.score.map((part) => ({
      reading: part.reading.reading,
      subject: subjectOf(part.reading, resolving.subjects),
      times: number(part.times),
    })),
    tallies: project.tallies.map((tally) => tally.start),
  };
}
