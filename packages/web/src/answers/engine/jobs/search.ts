import type { Pacer, Project } from '@stadion/core/document/model';
import {
  goalOf,
  searchFor,
  partsOf,
  type Batch,
  type TuningAsked,
  type TuningFound,
  type TuningName,
} from '@stadion/core/forecast/tuning';
import { pause, type Job, type Work } from '../answering.ts';
import { helpers, helpersWaitedFor, shared, type Hand, type Helper } from '../helpers.ts';
import { batches } from '../tasks/batches.ts';
import type { TaskResult, TaskSetup } from '../tasks/index.ts';

/** Results of the batches of a round: successes and trials, in turn. */
export type Round = readonly number[];

/** A question of tuning, with what is known from before. */
export interface SearchQuestion<Name extends TuningName = TuningName> {
  /** Levels that are not asked about may be left out. */
  project: Project;
  pacer: Pacer;
  name: Name;
  asked: TuningAsked[Name];
  /** Results of its first rounds, known from before. */
  known?: readonly Round[];
  /** Are further rounds played? Otherwise only known results are reported. */
  goesOn: boolean;
}

export interface SearchAnswer<Name extends TuningName = TuningName> {
  found: TuningFound[Name];
  /** Rounds that were played since the last message. */
  rounds: Round[];
  /** Is all found that was asked? */
  isAll: boolean;
}

/** Limit of the attempts that are handed to a worker together; a larger batch is split. */
const TOGETHER = 40;
const MOST_IN_PART = 20;
/** Less is not worth handing over. */
const FEWEST = 5;

type Bundle = readonly Batch[];

/** Batches in bundles that take about as long. */
function bundled(batches: Bundle, together: number): Batch[][] {
  const bundles: Batch[][] = [];
  let room = 0;
  for (const batch of batches) {
    if (room < batch.count) {
      bundles.push([]);
      room = Math.max(together, batch.count);
    }
    bundles.at(-1)!.push(batch);
    room -= batch.count;
  }
  return bundles;
}

type Results = TaskResult<'batches'>;

/** Each helper twice: its next bundle waits for it while this thread is busy. */
const handsOf = (lent: readonly Helper[], setup: TaskSetup<'batches'>): Hand<Bundle, Results>[] =>
  lent.flatMap((helper) => {
    const hand = helper.handFor('batches', setup);
    const counted: Hand<Bundle, Results> = async (bundle) => (await hand(bundle)) ?? [];
    return [counted, counted];
  });

function countedOf(round: Round): Results {
  return Array.from({ length: round.length / 2 }, (_, index) => ({
    successes: round[2 * index] as number,
    trials: round[2 * index + 1] as number,
  }));
}

function begin(
  { project, pacer, name, asked, known = [], goesOn }: SearchQuestion,
  isAwaited: () => boolean,
): Work<SearchAnswer> {
  const searching = searchFor(project, name, asked);
  for (const round of known) searching.take(countedOf(round));
  const goal = goalOf(asked);
  const play = batches({ project, pacer, goal });
  const here: Hand<Bundle, Results> = async (bundle) => {
    // A later question is let in between.
    await pause();
    return play(bundle);
  };
  const isDone = (): boolean => !goesOn || !isAwaited() || searching.due().length === 0;
  const lent = isDone() ? [] : helpers.lend(helpersWaitedFor());
  const hands = [here, ...handsOf(lent, { project, pacer, goal })];
  let rounds: Round[] = [];
  /** Plays all that is due. */
  async function playRound(): Promise<void> {
    const due = searching.due();
    const share = Math.ceil(due.reduce((sum, { count }) => sum + count, 0) / hands.length);
    const parts = due.map((batch) => partsOf(batch, Math.min(MOST_IN_PART, Math.max(FEWEST, share))));
    const came = (await shared(bundled(parts.flat(), Math.min(TOGETHER, share)), hands, isAwaited)).flat();
    if (!isAwaited()) return;
    let at = 0;
    const round = parts.flatMap(({ length }) => {
      const of = came.slice(at, (at += length));
      return [of.reduce((sum, { successes }) => sum + successes, 0), of.reduce((sum, { trials }) => sum + trials, 0)];
    });
    searching.take(countedOf(round));
    rounds.push(round);
  }
  // Known results are reported before a round is waited for.
  let isReported = known.length === 0;
  return {
    async step() {
      if (isReported && !isDone()) await playRound();
      isReported = true;
      return !isDone();
    },
    end: () => helpers.giveBack(lent),
    read() {
      const played = rounds;
      rounds = [];
      return { found: searching.read(), rounds: played, isAll: searching.due().length === 0 };
    },
  };
}

/** The answer to a question of tuning, found by rounds of attempts. */
export const search: Job<SearchQuestion, SearchAnswer> = { everyMs: 300, firstMs: 0, begin };
