// npm run check:pacers: are better players better, on every kind of ground and in fights?
import { boutTrials, type PreparedBout } from '@stadion/core/play/bouts';
import { START_KITS, startGoals, startProject, type StartMoves } from '@stadion/core/authoring/building';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { prepareLevel } from '@stadion/core/play/movement';
import type { Project } from '@stadion/core/document/model';
import { PERFECT } from '@stadion/core/forecast/pacers';
import { wilson } from '@stadion/core/basics/stats';
import { randomBout } from '@stadion/core/testing';
import { isBout, resolveLevel, levelRunner, seedOf } from '@stadion/core/forecast/trials';

const ATTEMPTS = Number(process.argv[2] ?? 200);
/** The three pacers of a new project, and one without faults, worst first. */
const NAMES = ['Novice', 'Steady', 'Sharp', 'perfect'];
const PLANNING = [0, 0.4, 0.8, 1];
const FIGHTS = 60;

let troubles = 0;

/** Clear rates of all pacers at one level. */
function check(name: string, project: Project, position: number): void {
  const prepared = resolveLevel(project, position);
  if (isBout(prepared)) return checkBout(name, prepared.bout);
  const game = levelRunner(prepareLevel(project, position));
  const pacers = [...project.pacers.slice(0, 3), { abilities: PERFECT, spread: 0 }];
  const won = pacers.map(
    (pacer) =>
      Array.from({ length: ATTEMPTS }, (_, index) => game.play(pacer, seedOf(index)).won).filter(Boolean).length,
  );
  report(name, won, true);
}

/** Win rates of all pacers in one fight. Also the best player may have no chance there. */
function checkBout(name: string, bout: PreparedBout): void {
  const won = PLANNING.map((planning) => {
    const trials = boutTrials(bout, () => ({ planning }));
    trials.play(ATTEMPTS);
    return trials.read().ends.won;
  });
  report(name, won, false);
}

/** One line: the rates, with what is out of order. @param clearable a player without faults should clear it */
function report(name: string, won: readonly number[], clearable: boolean): void {
  const bounds = won.map((count) => wilson(count, ATTEMPTS));
  const wrong = NAMES.slice(1).flatMap((better, index) =>
    bounds[index]!.low > bounds[index + 1]!.high ? [`${better} below ${NAMES[index]}`] : [],
  );
  const best = won.at(-1)! / ATTEMPTS;
  if (clearable && best > 0 && best < 0.9) wrong.push('perfect under 90 %');
  troubles += wrong.length;
  const rates = won.map((count) => `${Math.round((count / ATTEMPTS) * 100)} %`.padStart(6)).join(' ');
  console.log(`${name.padEnd(28)} ${rates}   ${wrong.join('; ')}`);
}

console.log(`${'level'.padEnd(28)} ${NAMES.map((name) => name.padStart(6)).join(' ')}   of ${ATTEMPTS} attempts`);
for (const moves of Object.keys(START_KITS) as StartMoves[]) {
  for (const goal of Object.keys(startGoals(moves))) {
    const project = startProject({ moves, goal, levels: 12 });
    for (const position of [1, 6, 12]) check(`${moves}, ${goal}, ${position} of 12`, project, position);
  }
}
for (let seed = 0; seed < FIGHTS; seed++) checkBout(`random fight ${seed}`, randomBout(seed));
const demo = homeBeforeDusk();
demo.slots.forEach((_slot, index) => check(`Home Before Dusk, ${index + 1}`, demo, index + 1));
console.log(troubles === 0 ? 'All in order.' : `${troubles} out of order.`);
process.exitCode = troubles === 0 ? 0 : 1;
