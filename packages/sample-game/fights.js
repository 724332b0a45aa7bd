// Fights by turns: the runtime works out who acts, what it does and what comes of it; here it is shown and chosen.
import { openFights } from '/sample/stadion-fights.js';

let fight, lines, passed;
/** Meetings on the way through the level, and the one that is fought now. */
let onWay, fights, met, mayWithdraw;
/** Of the party: experience in all, kept for as long as the page is open. */
let experience = 0;

/** Begins the fight of a level. @returns a world with the parts that the frame looks at */
export function enterFight(handOff, position, seed) {
  fight = openFights(handOff).fight(((position - 1) % Object.keys(handOff.slots).length) + 1, seed);
  lines = [];
  passed = fight.secondsOf(fight.opening);
  tellTurns(fight.opening);
  return { time: 0, gathered: {}, me: { x: 0, y: 0, health: fight.readings.health } };
}

/** Begins the way through a level that may have fights on it. */
export function enterWay(handOff, level, seed) {
  fights = handOff.bouts && openFights(handOff);
  onWay = level.data.meetings && fights?.meetings(((level.position - 1) % Object.keys(handOff.slots).length) + 1, seed);
  mayWithdraw = level.data.meetings?.mayWithdraw;
  met = null;
}

/** The party's level, by what it has won and what each level takes. */
function partyLevel({ bouts }) {
  let left = experience;
  let at = 1;
  for (const needed of bouts.experience) {
    if (left < needed) break;
    left -= needed;
    at++;
  }
  return at;
}

/** Is somebody met now? Then the fight with them begins, and the ground waits. */
export function meetOnWay(handOff, level, readings) {
  met ??= onWay?.meet(readings) ?? null;
  if (!met || fight?.of === met) return met !== null;
  const at = partyLevel(handOff);
  const ours = Object.keys(handOff.bouts.party).slice(0, 4);
  fight = fights.fight(1, met.seed, { ours: ours.map((id) => fights.member(id, at)), theirs: met.theirs });
  fight.of = met;
  [lines, passed] = [[`Level ${at}: ${met.name}`], 0];
  tellTurns(fight.opening);
  return true;
}

/** How the fight on the way has ended: won, lost, left, or not yet. What it brings is kept. */
export function endOfMeeting(key) {
  const isLeft = mayWithdraw && key === 'l';
  if (!met || (fight.phase === 'playing' && !isLeft)) return null;
  const { phase } = fight;
  if (phase === 'won') for (const { gives } of met.theirs) experience += gives?.experience ?? 0;
  met = null;
  return isLeft && phase === 'playing' ? 'left' : phase;
}

export const isMeeting = () => Boolean(met);

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
  if (met && mayWithdraw) pen.fillText('L  leave', 30, 520);
  lines.slice(0, 7).forEach((text, index) => pen.fillText(text, 500, 330 + 26 * index));
}
