import type { Pacer, Project } from '@stadion/core/document/model';
import {
  batchPlayer,
  goalOf,
  searchFor,
  partsOf,
  type Batch,
  type TuningAsked,
  type TuningFound,
  type TuningName,
} from '@stadion/core/forecast/tuning';
import { answering, pause } from './answering.ts';
import type { Batches, BatchesCame } from './batches.worker.ts';
import { helpersBy, shared, type Hand } from './workerPool.ts';

/** Results of the batches of a round: successes and trials, in turn. */
export type Round = readonly number[];

/** Asks something about tuning; a later question takes the place of an earlier one. */
export interface SearchRequest<Name extends TuningName = TuningName> {
  id: number;
  /** Levels that are not asked about may be left out. */
  project: Project;
  pacer: Pacer;
  name: Name;
  asked: TuningAsked[Name];
  /** Results of its first rounds, known from before. */
  known?: readonly Round[];
  /** Are further rounds played? Else it is only told what is known. */
  goesOn: boolean;
}

export interface SearchAnswer<Name extends TuningName = TuningName> {
  id: number;
  found: TuningFound[Name];
  /** Rounds that were played since the last message. */
  rounds: Round[];
  /** Is all found that was asked? */
  isAll: boolean;
  done: boolean;
}

/** Limit of the attempts that are handed to a worker together; a larger batch is split. */
const TOGETHER = 40;
const MOST_IN_PART = 20;
/** Less is not worth handing over. */
const FEWEST = 5;
const ANSWER_EVERY_MS = 300;

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

const helpers = helpersBy<Batches, BatchesCame>(
  () => new Worker(new URL('./batches.worker.ts', import.meta.url), { type: 'module' }),
);

/** Each helper twice: its next bundle waits for it while this thread is busy. */
function handsBy(
  lent: readonly Hand<Batches, BatchesCame>[],
  on: NonNullable<Batches['on']>,
): Hand<Bundle, BatchesCame>[] {
  return lent.flatMap((help) => {
    let knows = false;
    const hand: Hand<Bundle, BatchesCame> = (batches) => {
      const first = !knows;
      knows = true;
      return help({ batches, ...(first && { on }) });
    };
    return [hand, hand];
  });
}

function countedOf(round: Round): BatchesCame {
  return Array.from({ length: round.length / 2 }, (_, index) => ({
    successes: round[2 * index] as number,
    trials: round[2 * index + 1] as number,
  }));
}

answering(
  ({ project, pacer, name, asked, known = [], goesOn }: SearchRequest, isAwaited) => {
    const search = searchFor(project, name, asked);
    for (const round of known) search.take(countedOf(round));
    const goal = goalOf(asked);
    const play = batchPlayer(project, pacer, goal);
    const here: Hand<Bundle, BatchesCame> = async (bundle) => {
      // A later question is let in between.
      await pause();
      return bundle.map(play);
    };
    const isDone = (): boolean => !goesOn || !isAwaited() || search.due().length === 0;
    const lent = isDone() ? [] : helpers.lend();
    const hands = [here, ...handsBy(lent, { project, pacer, goal })];
    let rounds: Round[] = [];
    /** Plays all that is due. */
    async function playRound(): Promise<void> {
      const due = search.due();
      const share = Math.ceil(due.reduce((sum, { count }) => sum + count, 0) / hands.length);
      const parts = due.map((batch) => partsOf(batch, Math.min(MOST_IN_PART, Math.max(FEWEST, share))));
      const came = (await shared(bundled(parts.flat(), Math.min(TOGETHER, share)), hands, isAwaited)).flat();
      if (!isAwaited()) return;
      let at = 0;
      const round = parts.flatMap(({ length }) => {
        const of = came.slice(at, (at += length));
        return [of.reduce((sum, { successes }) => sum + successes, 0), of.reduce((sum, { trials }) => sum + trials, 0)];
      });
      search.take(countedOf(round));
      rounds.push(round);
    }
    // Known results are reported before a round is waited for.
    let isTold = known.length === 0;
    return {
      async step() {
        if (isTold && !isDone()) await playRound();
        isTold = true;
        return !isDone();
      },
      end: () => helpers.giveBack(lent),
      read(): Omit<SearchAnswer, 'id' | 'done'> {
        const told = rounds;
        rounds = [];
        return { found: search.read(), rounds: told, isAll: search.due().length === 0 };
      },
    };
  },
  ANSWER_EVERY_MS,
  0,
);
