import type { HandedEffect, HandedSlot } from '@stadion/core/exchange/formats';
import {
  changeDial,
  count,
  endTick,
  followed,
  followReadings,
  judgeTick,
  makeJudge,
  READINGS,
  startClock,
  startFollowed,
  startVerdicts,
  takeLives,
  tickClock,
  TICK_SECONDS,
  ticksToSeconds,
  turnJudge,
  type Judge as CoreJudge,
  type Observed,
} from '@stadion/core/play/rules';
import type { SlotJudging } from './judging.ts';
import { liveOf } from './logic.ts';
import type { SlotReadings } from './subjects.ts';
import type { Beginning, Effect, Ended, Fired, Frame, Judge } from './types.ts';

/** A slot made ready once, for any number of attempts. */
export interface ReadySlot extends SlotJudging {
  slot: HandedSlot;
  tallies: readonly string[];
  readings: SlotReadings;
  judge: CoreJudge;
}

export const readyJudge = ({ judging }: SlotJudging): CoreJudge =>
  makeJudge(judging.rules, judging.tie, { stars: judging.stars, clockStart: judging.clockStart });

/** The clock is the judge's own: nobody shows it. */
const OWN = new Set(['timeLeft', 'timeElapsed']);

/** A value of a JSON document by its pointer (RFC 6901). */
export const at = (document: unknown, pointer: string): unknown =>
  pointer
    .split('/')
    .slice(1)
    .reduce<unknown>(
      (value, key) =>
        value !== null && typeof value === 'object'
          ? (value as Record<string, unknown>)[key.replaceAll('~1', '/').replaceAll('~0', '~')]
          : undefined,
      document,
    );

/** One attempt, judged as Stadion judges it: the same judge, clock and ramps. */
export function startJudge(ready: ReadySlot, beginning: Beginning): Judge {
  const { slot, judging, ramps, judge, readings, tallies } = ready;
  let tuned = slot;
  const observed = startObserved(ready, beginning);
  const verdicts = startVerdicts(judge);
  const clock = startClock(judging);
  const dials = slot.changing.map((parameter) => slot.values[parameter] ?? 0);
  const turned = startFollowed(ramps);
  const shown = new Set<string>();
  let behind = 0;
  let fired: Fired[] = [];
  let ended: Ended | null = null;

  const value = (parameter: string): number => {
    const dial = slot.changing.indexOf(parameter);
    return (dial < 0 ? tuned.values[parameter] : dials[dial]) ?? Number.NaN;
  };
  const number = (pointer: string): number => {
    const following = tuned.follows.find((one) => one.at === pointer);
    if (!following) return Number(at(tuned, pointer));
    // A level that was changed meanwhile may let numbers follow what does not change in this attempt.
    return followed(liveOf(following, { dial: () => 0 }), [value(following.parameter)]);
  };
  const turn = (): void => turnJudge(judge, verdicts, observed, judging, dials);

  const show = (name: string, given: number | boolean): void => {
    const found = readings.find(name);
    if (!found) throw new TypeError(`There is no reading “${name}”. This level reads ${slot.readings.join(', ')}.`);
    shown.add(name);
    if (found.subject >= 0 && !OWN.has(found.reading))
      READINGS[found.reading].write(observed, found.subject, Number(given));
  };

  /** Carries out what the judge keeps itself. @returns is it to be told to the game? */
  const apply = (effect: HandedEffect): boolean => {
    switch (effect.effect) {
      case 'score':
      case 'heal':
      case 'hurt':
        return count(observed, effect, number('/player/health'));
      case 'tally':
        return count(observed, { ...effect, tally: tallies.indexOf(effect.tally) }, 0);
      case 'parameter': {
        const dial = slot.changing.indexOf(effect.parameter);
        if (changeDial(dials, ramps, turned, { ...effect, dial })) turn();
        return true;
      }
      case 'loseLife': {
        if (!takeLives(observed, effect.lives)) return false;
        for (const part of effect.resets) {
          const tally = tallies.indexOf(part);
          if (tally >= 0) observed.tallies[tally] = judging.tallies[tally] as number;
          else if (part === 'score') observed.bonus = 0;
          else if (part === 'health') observed.health = number('/player/health');
          else if (part === 'clock') {
            observed.clockTicks = 0;
            clock.warned = false;
          }
        }
        return true;
      }
      // The ending tells of them.
      case 'win':
      case 'lose':
        return false;
      // The game carries them out.
      case 'back':
      case 'gate':
      case 'wave':
      case 'reveal':
      case 'message':
      case 'cue':
        return true;
      default:
        return effect satisfies never;
    }
  };

  const endedNow = (): Ended => {
    const { result, rule } = verdicts.ending;
    const by = slot.rules[rule];
    const { text, textId, freezeSeconds, holdSeconds, next } = slot.ending[result];
    const loss = by?.then.find((effect) => effect.effect === 'lose');
    return {
      ...{ result, rule: by?.id ?? null, stars: verdicts.stars, score: READINGS.score.read(observed, 0) },
      ...{ text, textId, freezeSeconds, holdSeconds },
      next: { ...next } as Ended['next'],
      ...(loss && result === 'lost' ? { cause: loss.text } : {}),
    };
  };

  const oneTick = (): void => {
    const expiry = tickClock(observed, clock, judging);
    if (followReadings(dials, ramps, turned, observed)) turn();
    judgeTick(judge, observed, verdicts);
    if (judge.clockStart && verdicts.truth[judge.clockStart.index] === true) clock.runs = true;
    for (let i = 0; i < verdicts.dueCount; i++) {
      const rule = slot.rules[verdicts.due[i] as number];
      if (rule) fired.push({ rule: rule.id, effects: rule.then.filter(apply) as unknown as Effect[] });
    }
    endTick(judge, observed, verdicts, expiry);
    if (verdicts.ended) ended = endedNow();
  };

  return {
    firstMove() {
      if (judging.clockStarts === 'firstMove') clock.runs = true;
    },
    tick(given, seconds): Frame {
      fired = [];
      const { warned } = clock;
      for (const name in given) show(name, given[name] as number | boolean);
      // A frame that is a whole number of ticks long but for a rounding error is that many.
      behind += Math.max(0, seconds) + 1e-9;
      while (behind >= TICK_SECONDS && ended === null) {
        behind -= TICK_SECONDS;
        oneTick();
      }
      return {
        fired,
        warned: clock.warned && !warned,
        ended,
        stars: verdicts.stars,
        clock: {
          runs: clock.runs,
          elapsed: ticksToSeconds(observed.clockTicks),
          left: READINGS.timeLeft.read(observed, 0),
        },
      };
    },
    reading(name) {
      const found = readings.find(name);
      return found && found.subject >= 0 ? READINGS[found.reading].read(observed, found.subject) : Number.NaN;
    },
    value,
    number,
    retune({ data }) {
      const next = data as HandedSlot;
      slot.changing.forEach((parameter, dial) => {
        const value = next.values[parameter];
        if (value !== undefined && dials[dial] === tuned.values[parameter]) dials[dial] = value;
      });
      tuned = next;
      turn();
    },
    get missing() {
      const own = new Set([...OWN, 'score', 'lives', 'health', 'tries']);
      return slot.readings.filter((name) => !shown.has(name) && !own.has(name) && !name.startsWith('tally.'));
    },
  };
}

function startObserved({ slot, judging, tallies, readings }: ReadySlot, beginning: Beginning): Observed {
  const observed = readings.empty();
  observed.limitTicks = judging.limitTicks;
  observed.lives = beginning.lives ?? judging.lives;
  observed.health = Number(slot.player['health'] ?? 0);
  observed.tries = beginning.tries ?? 1;
  observed.scoreTerms = judging.score.map(({ reading, ...term }) => ({ ...term, reading: READINGS[reading] }));
  tallies.forEach((tally, index) => {
    observed.tallies[index] = beginning.tallies?.[tally] ?? (judging.tallies[index] as number);
  });
  return observed;
}
