import { groundKindOf } from '../../../play/movement/index.ts';
import {
  fromParameter,
  literal,
  usualEnding,
  type Amount,
  type Condition,
  type Ground,
  type Kinds,
  type Level,
  type Parameter,
  type Project,
  type Ramp,
  type Rule,
  type Stars,
  type Tier,
} from '../../../document/model/index.ts';

/** One way of moving that a project can start with, and the goals that fit it. */
export interface StartKit {
  /** The player's way to move. @example 'roams freely' */
  label: string;
  says: string;
  /** Goals, by name. */
  goals: Readonly<Record<string, { label: string; says: string }>>;
  /** Everything that differs by the way of moving. @param project with nothing in it yet */
  make(project: Project, goal: string, levels: number): Project;
}

/** The parts of a start that differ by the way of moving; each may follow the goal. */
interface KitParts<Goal extends string> {
  says: string;
  goals: Readonly<Record<Goal, { label: string; says: string }>>;
  kindsOf(goal: Goal): Kinds;
  standingOf(goal: Goal, kinds: Kinds): Rule[];
  /** Changes of the player: its body on this kind of ground, and further abilities. */
  playerOf?(goal: Goal): Partial<Omit<Project['player'], 'moves'>> & { moves?: Partial<Project['player']['moves']> };
  parametersOf(goal: Goal, levels: number): Parameter[];
  levelAt(position: number, goal: Goal, levels: number, kinds: Kinds): Level;
  /** Members of the project that only this start has. */
  besides?(goal: Goal): Partial<Project>;
}

/** The start on a kind of ground, made of its parts. */
export const startKit = <Goal extends string>(kind: Ground['kind'], parts: KitParts<Goal>): StartKit => ({
  label: groundKindOf(kind).label,
  says: parts.says,
  goals: parts.goals,
  make(project, name, levels) {
    const goal = name as Goal;
    const kinds = parts.kindsOf(goal);
    const { moves, ...player } = parts.playerOf?.(goal) ?? {};
    return {
      ...project,
      kinds,
      standing: parts.standingOf(goal, kinds),
      ...parts.besides?.(goal),
      player: { ...project.player, ...player, moves: { ...project.player.moves, ...moves } },
      parameters: parts.parametersOf(goal, levels),
      levels: Object.fromEntries(
        Array.from({ length: levels }, (_, index) => [
          `level-${index + 1}`,
          parts.levelAt(index + 1, goal, levels, kinds),
        ]),
      ),
    };
  },
});

/** A number at the first level, and what it comes near to. */
export type Course = readonly [from: number, to: number];

/** @param sane range of sensible values */
export const parameter = (
  key: string,
  label: string,
  number: Parameter['number'],
  unit: string,
  [min, max]: readonly [number, number],
  ramp: Ramp,
): Parameter => ({ key, label, number, unit, sane: { min, max }, ramp, pins: {}, note: '' });

/** Change of the clock below which whole seconds would keep it the same for many levels, s. */
const SHORT_COURSE = 4;

/** Number of levels after which half of the way from the first to the last value is gone. */
export const halfway = (levels: number): number => Math.max(1, Math.round(levels / 3));

/** From its first value towards another, half of the way by a third of the sequence. */
export const ease = ([from, to]: Course, levels: number): Ramp['shape'] => ({
  type: 'ease',
  from,
  to,
  halfway: halfway(levels),
});

/** Bands of about a third of the sequence each; fewer where there are fewer levels. */
export function tiersOf(levels: number): Tier[] {
  const third = Math.max(1, Math.round(levels / 3));
  const names = ['Opening', 'Middle', 'Late'];
  return names.flatMap((name, index): Tier[] => {
    const from = 1 + index * third;
    return from <= levels ? [{ id: `tier-${index + 1}`, name, from }] : [];
  });
}

/** Share of the sequence that has passed at a position, 0–1. */
export const share = (position: number, levels: number): number => (levels === 1 ? 0 : (position - 1) / (levels - 1));

/** A condition on a reading against an amount. */
export const compare = (
  reading: Extract<Condition, { is: 'compare' }>['reading'],
  amount: Amount | number,
  comparison: 'atLeast' | 'atMost' = 'atLeast',
): Condition => ({
  id: 'goal',
  is: 'compare',
  reading,
  comparison,
  amount: typeof amount === 'number' ? literal(amount) : amount,
});

/** The rule that wins once its condition holds. */
export const winningRule = (when: Condition): Rule[] => [{ id: 'won', when, then: [{ effect: 'win' }], fires: 'once' }];

/** The player is inside a goal. */
export const insideOf = (zone: string): Condition => ({
  id: 'goal',
  is: 'onOff',
  reading: { reading: 'inside', zone },
  on: true,
});

/** Costs a life, and leads back to the start. @param when id of the condition */
export const costsALife = (
  id: string,
  when: string,
  reading: Extract<Condition, { is: 'onOff' }>['reading'],
): Rule => ({
  id,
  when: { id: when, is: 'onOff', reading, on: true },
  then: [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: [] }],
  fires: 'eachTime',
});

/** The clock over the sequence, in whole seconds unless its course is too short for them. Seconds. */
export const clockParameter = (course: Course, levels: number, label = 'Clock'): Parameter =>
  parameter('clock', label, 'seconds', 's', [5, 180], {
    shape: ease(course, levels),
    roundTo: Math.abs(course[1] - course[0]) < SHORT_COURSE ? 0.1 : 1,
  });

/** The share of what is placed that is asked for over the sequence. */
export const shareParameter = (course: Course, levels: number): Parameter =>
  parameter('share', 'Share needed', 'share', '', [0, 1], { shape: ease(course, levels), roundTo: 0.01 });

/** A share of the clock, which follows a parameter. */
export const clockTimes = (times: number): Amount => ({ ...fromParameter('clock'), times });

/** The share of what is placed that a parameter asks for. */
export const shareAsked = (): Condition =>
  compare(
    { reading: 'worth', of: 'any' },
    { from: 'share', share: fromParameter('share'), of: 'any', measure: 'worth' },
  );

/** A level that is lost when its clock runs out, with stars by shares of the clock that are left. @param stars shares for two and for three, or stars of its own */
export const levelFrom = (
  position: number,
  { stars, ...own }: Pick<Level, 'brief' | 'ground' | 'rules'> & { stars: readonly [number, number] | Stars },
): Level => ({
  id: `level-${position}`,
  name: `Level ${position}`,
  ...own,
  standingRulesOff: [],
  clock: {
    limitSeconds: fromParameter('clock'),
    starts: 'firstMove',
    warnAtSeconds: literal(5),
    parSeconds: null,
    atExpiry: 'lose',
  },
  stars:
    'is' in stars
      ? stars
      : {
          is: 'ladder',
          reading: 'timeLeft',
          direction: 'atLeast',
          thresholds: [null, clockTimes(stars[0]), clockTimes(stars[1])],
        },
  tie: 'win',
  ending: usualEnding(),
});

/** The collectable of a start that scatters tokens. */
export const TOKEN: Project['kinds']['collectables'][number] = {
  id: 'token',
  name: 'Token',
  worth: literal(5),
  look: { mark: 'sixfoil', colour: 'marigold' },
};
