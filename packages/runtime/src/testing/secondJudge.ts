import type { Vector, Verdict } from './vectors.ts';

// A second judge, written from docs/porting.md alone: nothing of Stadion's own is used. If it gives the verdicts of the
// conformance vectors, the page says enough.

type Json = any;
const SAME = 1e-9;
const COMPARE: Record<string, (a: number, b: number) => boolean> = {
  '>=': (a, b) => a >= b - SAME,
  '>': (a, b) => a > b + SAME,
  '<=': (a, b) => a <= b + SAME,
  '<': (a, b) => a < b - SAME,
  '==': (a, b) => Math.abs(a - b) <= SAME,
  '!=': (a, b) => Math.abs(a - b) > SAME,
  '!!': (a) => a !== 0,
  '!': (a) => a === 0,
};
const CHANGE: Record<string, (now: number, by: number) => number> = {
  times: (now, by) => now * by,
  plus: (now, by) => now + by,
  set: (_now, by) => by,
};
const ticksOf = (seconds = 0): number => Math.round(seconds * 60);
const ends = (effect: string) => (rule: Json) => rule.then.some((one: Json) => one.effect === effect);

/** Judges a vector. */
export function judgeVector({ slot, tallies, frames }: Vector): Verdict[] {
  const readings: Record<string, number> = { lives: slot.lives, health: slot.health, tries: 1 };
  for (const [id, start] of Object.entries(tallies)) readings[`tally.${id}`] = start;
  const dials = Object.fromEntries(slot.changing.map((key) => [key, slot.values[key]!]));
  const held = new Map<string, number>();
  const done = new Map<string, number>();
  const changed = new Map<string, number>();
  const rules = slot.rules.map((rule) => ({ ...rule, times: 0, was: false, since: 0 }));
  const starConditions = slot.stars.is === 'conditions' ? slot.stars.conditions : [];
  const conditions: [string, Json][] = [
    ...starConditions.map((one, index): [string, Json] => [`star ${index}`, one]),
    ...[slot.clock.startsWhen].filter(Boolean).map((one): [string, Json] => ['clock', one]),
    ...slot.rules.map((rule): [string, Json] => [rule.id, rule]),
  ].filter(([, one]) => one !== null) as [string, Json][];
  const verdicts: Verdict[] = [];
  let [bonus, clock, tick, warned, runs] = [0, 0, 0, false, slot.clock.starts === 'load'];
  let limit = slot.clock.limitSeconds === undefined ? -1 : ticksOf(slot.clock.limitSeconds);

  const read = (name: string): number => {
    if (name === 'timeElapsed') return clock / 60;
    if (name === 'timeLeft') return limit < 0 ? Infinity : Math.max(0, limit - clock) / 60;
    if (name !== 'score') return readings[name] ?? 0;
    const terms = slot.score.map(({ reading, times }) => times * read(reading));
    return terms.reduce((sum, term) => (Number.isFinite(term) ? sum + term : sum), bonus);
  };
  const follow = ({ parameter, times, plus, of }: Json): number => {
    const value = dials[parameter]! * times + plus;
    return of === undefined ? value : Math.ceil(value * of - SAME);
  };
  function turn(): void {
    for (const [owner, { memory = [] }] of conditions)
      for (const one of memory) if (one.follows) changed.set(`${owner}/${one.at.join('.')}`, follow(one.follows));
    if (slot.clock.limitFollows) limit = Math.max(0, ticksOf(follow(slot.clock.limitFollows)));
  }

  /** @param looks false for stars at the end: they keep nothing, and conditions that have held until now count */
  function truth({ when, memory = [] }: Json, owner: string, looks: boolean): boolean {
    const look = (logic: Json, at: number[]): boolean => {
      const mine = memory.find((one: Json) => one.at.join() === at.join()) ?? {};
      const [operator, operands] = (typeof logic === 'object' ? Object.entries(logic)[0] : ['', []]) as [string, Json];
      const here = `${owner}/${at.join('.')}`;
      const all = (list: Json[]): boolean[] => list.map((each, index) => look(each, [...at, index]));
      if (mine.inOrder) {
        const parts = all(operands);
        const before = done.get(here) ?? 0;
        if (looks) done.set(here, parts[before] ? before + 1 : before);
        return (done.get(here) ?? 0) >= operands.length;
      }
      if (typeof logic === 'boolean') return logic;
      if (operator === 'and') return all(operands).every(Boolean);
      if (operator === 'or') return all(operands).some(Boolean);
      if (operator === '!' && operands[0].or) return !all(operands[0].or).some(Boolean);
      if (operator === '>=' && !operands[0].var)
        return all((operands[0]['+'] ?? []).map((each: Json) => each.if[0])).filter(Boolean).length >= operands[1];
      const now = COMPARE[operator]!(read(operands[0].var), changed.get(here) ?? operands[1]);
      const before = held.get(here) ?? 0;
      if (looks) held.set(here, now ? before + 1 : 0);
      return now && (looks ? before + 1 : Math.max(1, before)) >= ticksOf(mine.heldSeconds);
    };
    return look(when, []);
  }

  function stars(): number {
    if (slot.stars.is === 'conditions')
      return starConditions.filter((one, index) => one === null || truth(one, `star ${index}`, false)).length;
    const { thresholds, direction, reading } = slot.stars;
    const isMet = COMPARE[direction === 'atMost' ? '<=' : '>=']!;
    const missed = thresholds.findIndex((one) => one !== null && !isMet(read(reading), one));
    return missed < 0 ? thresholds.length : missed;
  }

  function carryOut(effect: Json): void {
    const add = (name: string, by: number): void => void (readings[name] = (readings[name] ?? 0) + by);
    if (effect.effect === 'score') bonus += effect.add;
    if (effect.effect === 'tally') add(`tally.${effect.tally}`, effect.add);
    if (effect.effect === 'heal') readings['health'] = Math.min(slot.health, readings['health']! + effect.by);
    if (effect.effect === 'hurt') readings['health'] = Math.max(0, readings['health']! - effect.by);
    if (effect.effect === 'parameter') {
      dials[effect.parameter] = CHANGE[effect.change]!(dials[effect.parameter]!, effect.by);
      turn();
    }
    if (effect.effect !== 'loseLife' || readings['lives'] === 0) return;
    readings['lives'] = Math.max(0, readings['lives']! - effect.lives);
    if (effect.resets.includes('score')) bonus = 0;
    if (effect.resets.includes('health')) readings['health'] = slot.health;
    if (effect.resets.includes('clock')) [clock, warned] = [0, false];
    for (const part of effect.resets) if (part in tallies) readings[`tally.${part}`] = tallies[part]!;
  }

  function oneTick(): boolean {
    tick++;
    if (runs) clock++;
    const { warnAtSeconds, atExpiry } = slot.clock;
    if (runs && limit >= 0 && !warned && warnAtSeconds && limit - clock <= ticksOf(warnAtSeconds)) {
      warned = true;
      verdicts.push({ tick, warned });
    }
    const isUp = runs && limit >= 0 && clock >= limit;
    const now = new Map(conditions.map(([owner, one]) => [owner, truth(one, owner, true)]));
    const firing = rules.filter((rule) => {
      const isTrue = now.get(rule.id)!;
      const due = ++rule.since >= Math.max(1, ticksOf(rule.everySeconds ?? 1));
      const fires = isTrue && (rule.fires === 'once' ? rule.times === 0 : !rule.was || (rule.fires === 'every' && due));
      rule.was = isTrue;
      if (fires) [rule.times, rule.since] = [rule.times + 1, 0];
      return fires;
    });
    if (now.get('clock')) runs = true;
    for (const rule of firing) {
      if (rule.then.every(({ effect }) => effect === 'win' || effect === 'lose')) continue;
      rule.then.forEach(carryOut);
      verdicts.push({ tick, fired: rule.id });
    }
    let winner: string | null | undefined = firing.find(ends('win'))?.id;
    let loser: string | null | undefined = firing.find(ends('lose'))?.id;
    if (isUp && (atExpiry === 'win' || (atExpiry === 'grade' && stars() > 0))) winner ??= null;
    else if (isUp) loser ??= null;
    if (winner === undefined && loser === undefined) return false;
    const wins = winner !== undefined && (loser === undefined || slot.tie === 'win');
    const by = (wins ? winner : loser) ?? null;
    verdicts.push({ tick, ended: wins ? 'won' : 'lost', by, stars: wins ? stars() : 0, score: read('score') });
    return true;
  }

  for (const { ticks, show, move } of frames) {
    Object.assign(readings, show);
    if (move && slot.clock.starts === 'firstMove') runs = true;
    for (let i = 0; i < ticks; i++) if (oneTick()) return verdicts;
  }
  return verdicts;
}
