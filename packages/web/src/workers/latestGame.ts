import { recordedGame, type RecordedGame, type TrialQuestion } from '@stadion/core/trials';

/** @returns what gives the level of a question, with its attempts: an edit that leaves the motion alone is answered from those of the level before. */
export function latestGame(): (question: TrialQuestion) => RecordedGame {
  let latest: { question: TrialQuestion; population: string; game: RecordedGame } | undefined;
  return (question) => {
    if (latest?.question === question) return latest.game;
    const population = JSON.stringify(question.population);
    const game = recordedGame(question.level, latest?.population === population ? latest.game : undefined);
    latest = { question, population, game };
    return game;
  };
}
