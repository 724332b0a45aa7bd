// Fights by turns: the runtime works out who acts, what it does and what comes of it; here it is shown and chosen.
import { openFights } from '/sample/stadion-fights.js';

let fight, lines, passed;

/** Begins the fight of a level. @returns a world with the parts that the frame looks at */
export function enterFight(handOff, position, seed) {
  fight = openFights(handOff).fight(((position - 1) % Object.keys(handOff.slots).length) + 1, seed);
  lines = [];
  passed = fight.secondsOf(fight.opening);
  tellTurns(fight.opening);
  return { time: 0, gathered: {}, me: { x: 0, y: 0, health: fight.readings.health } };
}

/** Takes a key. @returns has anything happened? */
export function chooseByKey(key) {
  if (!fight?.asks || !/^[0-9]$/.test(key)) return false;
  const option = (Number(key) + 9) % 10;
  if (option >= fight.asks.options.length) return false;
  const turns = fight.choose(option);
  passed += fight.secondsOf(turns);
  tellTurns(turns);
  return true;
}

/** What has passed since it was last asked: readings for the judge, and seconds of its clock. */
export function stepFight(world) {
  const seconds = passed;
  passed = 0;
  world.time += seconds;
  world.me.health = fight.readings.health;
  return { readings: fight.readings, seconds };
}

/** A life was lost and the level goes on: the fight begins anew. */
export function fightAgain() {
  const turns = fight.again();
  // The judge sees how it begins for one tick.
  passed += Math.max(1 / 60, fight.secondsOf(turns));
  tellTurns(turns);
}

function tellTurns(turns) {
  const { fighters } = fight;
  for (const { actor, action, struck } of turns)
    lines.unshift(
      action === null
        ? `${fighters[actor].name} waits`
        : `${fighters[actor].name}, ${action}: ${struck
            .map(({ target, hits, amount, falls }) =>
              hits ? `${fighters[target].name} ${amount}${falls ? ', falls' : ''}` : `misses ${fighters[target].name}`,
            )
            .join('; ')}`,
    );
}

export function drawFight(pen, canvas) {
  canvas.width = 960;
  canvas.height = 540;
  pen.fillStyle = '#eef2f1';
  pen.fillRect(0, 0, 960, 540);
  pen.font = '16px sans-serif';
  const line = [0, 0];
  for (const { name, ours, left, share } of fight.fighters) {
    const x = ours ? 30 : 500;
    const y = 40 + 44 * line[ours ? 0 : 1]++;
    pen.fillStyle = ours ? '#0d6b58' : '#a3244f';
    pen.fillText(`${name}  ${Math.round(left)}`, x, y);
    pen.fillRect(x, y + 8, 380 * share, 8);
  }
  pen.fillStyle = '#15211d';
  const { asks, fighters } = fight;
  if (asks) {
    pen.fillText(`${fighters[asks.fighter].name}:`, 30, 330);
    asks.options.slice(0, 10).forEach(({ name, target }, index) => {
      const whom = target >= 0 ? fighters[target].name : 'all';
      pen.fillText(`${(index + 1) % 10}  ${name}, ${whom}`, 30 + 230 * (index % 2), 356 + 26 * Math.floor(index / 2));
    });
  }
  lines.slice(0, 7).forEach((text, index) => pen.fillText(text, 500, 330 + 26 * index));
}
