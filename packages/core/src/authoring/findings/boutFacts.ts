import {
  groupsMet,
  harmTable,
  makeBoutWorld,
  meetingOf,
  meetingsAlong,
  meetingsOf,
  pacingOf,
  partyOnWay,
  prepareBout,
  type BoutWorld,
  type Harm,
  type Meeting,
  type PacingAt,
  type WithBouts,
} from '../../play/bouts/index.ts';
import type { Bouts, Group, Level, Project, Slot } from '../../document/model/index.ts';
import { valuesIn, type RampTable, type Values } from '../../document/ramps/index.ts';

/** A group that is met at a slot, and who meets it. */
export interface Fight {
  group: Group;
  /** Path of what says that it is met. */
  path: (string | number)[];
  world: BoutWorld;
  harm: readonly Harm[];
  /** Names by their numbers: ours first, then theirs. */
  names: readonly string[];
}

/** The facts for checks of the fights at one slot: the bout that decides the level first, then groups on the way. */
export interface BoutFacts {
  project: Project;
  bouts: Bouts;
  slot: Slot;
  level: Level;
  /** Values of the parameters here. */
  values: Values;
  /** After this slot, if every meeting is fought and won. */
  pacing: PacingAt;
  readonly fights: readonly Fight[];
}

function fightOf(bouts: Bouts, path: Fight['path'], meeting: Meeting): Fight {
  const bout = prepareBout(bouts, meeting);
  const world = makeBoutWorld(bout);
  const names = [...bout.ours, ...bout.theirs].map(({ name }) => name);
  return { group: meeting.group, path, world, harm: harmTable(world), names };
}

function fightsAt(project: WithBouts, level: Level, pacing: PacingAt, values: Values): Fight[] {
  const { bouts, slots } = project;
  const { position } = pacing;
  const party = partyOnWay(bouts, pacing.level);
  const meetings = meetingsOf(level);
  const own = level.bout && meetingOf(project, level.bout, position, values);
  const path = ['levels', level.id];
  return [
    ...(own ? [fightOf(bouts, [...path, 'bout'], own)] : []),
    ...(meetings ? groupsMet(bouts, meetings) : []).map((group) =>
      fightOf(bouts, [...path, 'meetings', 'groups', group.id], {
        ...{ party, group, mayWithdraw: meetings?.mayWithdraw ?? true, values, position, positions: slots.length },
      }),
    ),
  ];
}

/** Returns the growth of parties along a sequence. */
export const pacingIn = (project: Project, bouts: Bouts, table: RampTable): PacingAt[] =>
  pacingOf(
    bouts,
    meetingsAlong(project, (position) => valuesIn(table, position)),
  );

/** Every slot at which somebody is fought. */
export function boutSubjects({ project, table }: { project: Project; table: RampTable }) {
  const { bouts, slots, levels } = project;
  if (!bouts) return { shared: [], all: [] };
  const pacing = pacingIn(project, bouts, table);
  return {
    shared: [bouts, slots.length, project.pacers],
    all: slots.flatMap((slot, index) => {
      const level = levels[slot.levelId];
      const here = pacing[index];
      if (!here || !level || !(level.bout ?? level.meetings)) return [];
      const values = valuesIn(table, index + 1);
      const of = [slot, level, index, JSON.stringify(values), here.level, here.boutsToNext];
      return [
        {
          ...{ key: slot.id, of, reads: () => of },
          facts: () => {
            let fights: Fight[] | undefined;
            return {
              ...{ project, bouts, slot, level, values, pacing: here },
              get fights() {
                return (fights ??= fightsAt({ ...project, bouts }, level, here, values));
              },
            };
          },
        },
      ];
    }),
  };
}
