import type { Action, Statistic } from '../../document/model/index.ts';
import type { FormulaNode } from '../../document/ramps/index.ts';

/** Something a fighter can do, and when. `action` is an index into the bout's actions. */
export interface PreparedUse {
  action: number;
  weight: number;
  /** Usable while the share of what is lost that is left is in (above, below]. */
  below: number;
  above: number;
  everyTurns: number;
}

export interface PreparedAction extends Pick<Action, 'id' | 'name' | 'strikes' | 'does' | 'spread' | 'chance'> {
  /** Its formula, read; null where that cannot be. */
  formula: FormulaNode | null;
  /** Index of its element, -1 for none. */
  element: number;
  /** Costs by the index of their statistic. */
  costs: { statistic: number; amount: number }[];
}

export interface PreparedFighter {
  /** Id of the fighter in the project; several members of a group share it. */
  id: string;
  name: string;
  /** At the start, in the order of the project's statistics. */
  statistics: number[];
  /** Share of harm that reaches it, by element. */
  takes: number[];
  uses: PreparedUse[];
}

/** All that a bout depends on, as plain data. */
export interface PreparedBout {
  order: 'rounds' | 'gauges';
  statistics: Pick<Statistic, 'key' | 'name' | 'role'>[];
  actions: PreparedAction[];
  ours: PreparedFighter[];
  theirs: PreparedFighter[];
  mayWithdraw: boolean;
  /** Limit of the rounds of a bout; after it the bout is undecided. */
  mostRounds: number;
  /** Values of parameters at the level, for formulas that name them. */
  values: Readonly<Record<string, number>>;
  /** The level's position and how many there are. */
  level: number;
  levels: number;
}

/** The place of a role among the statistics; -1 where none has it. */
export const withRole = ({ statistics }: Pick<PreparedBout, 'statistics'>, role: Statistic['role']): number =>
  statistics.findIndex((each) => each.role === role);
