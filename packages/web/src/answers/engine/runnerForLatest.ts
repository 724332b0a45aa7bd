import { replayingRunner, type ReplayingRunner, type TrialQuestion } from '@stadion/core/forecast/trials';

/** @returns what gives the level of a question, with its attempts: an edit that leaves the motion alone is answered from those of the level before. */
export function runnerForLatest(): (question: TrialQuestion) => ReplayingRunner {
  let latest: { question: TrialQuestion; population: string; game: ReplayingRunner } | undefined;
  return (question) => {
    if (latest?.question === question) return latest.game;
    const population = JSON.stringify(question.population);
    const game = replayingRunner(question.level, latest?.population === population ? latest.game : undefined);
    latest = { question, population, game };
    return game;
  };
}
