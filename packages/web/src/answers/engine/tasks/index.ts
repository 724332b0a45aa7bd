import { attempts } from './attempts.ts';
import { batches } from './batches.ts';

/** Tasks of helpers: each prepares its setup once, and then does part after part. */
export const tasks = { attempts, batches };

type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
export type TaskSetup<Name extends TaskName> = Parameters<Tasks[Name]>[0];
export type TaskPart<Name extends TaskName> = Parameters<ReturnType<Tasks[Name]>>[0];
export type TaskResult<Name extends TaskName> = ReturnType<ReturnType<Tasks[Name]>>;

/** A part of a task for a helper. */
export interface HelperTask<Name extends TaskName = TaskName> {
  task: Name;
  /** Parts of one group belong to the same setup, which comes with the first of them. */
  group: number;
  setup?: TaskSetup<Name>;
  part: TaskPart<Name>;
}

/** Answers each part, in order; without a result where a later group replaced it. */
export interface HelperResult {
  result?: unknown;
}

/**
 * A helper's side: does the parts that come, and drops those of earlier groups.
 * @param nextTurn calls a function once for each of its calls, after the messages that wait
 * @returns takes a part
 */
export function helping(
  post: (result: HelperResult) => void,
  nextTurn: (work: () => void) => void,
): (part: HelperTask) => void {
  const waiting: HelperTask[] = [];
  let latest = 0;
  let current: { group: number; play: (part: never) => unknown } | undefined;
  const doNext = (): void => {
    const { task, group, setup, part } = waiting.shift() as HelperTask;
    if (setup !== undefined && group === latest) current = { group, play: tasks[task](setup as never) };
    post(group === latest && current?.group === group ? { result: current.play(part as never) } : {});
  };
  return (part) => {
    latest = part.group;
    waiting.push(part);
    nextTurn(doNext);
  };
}
