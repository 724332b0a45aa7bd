import {
  REST,
  SORTS,
  startAttempt,
  startObserved,
  startPlace,
  step,
  zonesOf,
  type AttemptState,
} from '../../../play/attempt/index.ts';
import { cellAt } from '../../../play/grid/index.ts';
import { groundKindOf, makeWorld } from '../../../play/movement/index.ts';
import { pointerOf, type Piece } from '../../../document/model/index.ts';
import {
  conditionInWords,
  endingOfRule,
  endTick,
  judgeTick,
  leaves,
  makeJudge,
  secondsToTicks,
  ticksToSeconds,
  startVerdicts,
  type Leaf,
  type RuleInForce,
} from '../../../play/rules/index.ts';
import { say, type Check, type Found, type Mend } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';
import { firstReading, isFalseUntouched, isNearStart, isWaterNearStart, mayBeInside } from '../untouched.ts';

/** The least of a gathered reading that is not there from the start: one piece's worth, or one piece. */
function leastToAsk(leaf: Leaf, { resolving }: SlotFacts): number | undefined {
  if (leaf.is !== 'compare' || leaf.comparison !== 'atLeast' || leaf.amount.from !== 'number') return undefined;
  const { reading } = leaf;
  if (reading.reading !== 'worth' && reading.reading !== 'collected') return undefined;
  const measure = reading.reading === 'worth' ? 'worth' : 'count';
  const all = resolving.placed[measure][reading.of] ?? 0;
  return all > 0 ? Math.max(1, Math.ceil(all / 2)) : undefined;
}

/** Nobody acts sooner than a second after the start. */
const NOBODY_ACTS_TICKS = secondsToTicks(1);

/** May the level end by itself? Read off its rules and its ground alone: most levels do not, and need no closer look. */
function mayEndByItself(here: SlotFacts): boolean {
  const { level, rules } = here;
  const { limitSeconds } = level.clock;
  if (limitSeconds !== null && secondsToTicks(here.number(limitSeconds)) <= NOBODY_ACTS_TICKS) return true;
  const { pieces } = level.ground;
  const isAvoided = (piece: Piece): boolean => SORTS.some((sort) => sort.avoids && sort.name === piece.piece);
  if (pieces.some((piece) => isAvoided(piece) && (!('width' in piece) || isNearStart(piece, level, 1)))) return true;
  if (isWaterNearStart(level)) return true;
  const concerns = ({ rule }: RuleInForce): boolean =>
    endingOfRule(rule) !== null || leaves(rule.when).some(({ leaf }) => mayBeInside(leaf.reading, level));
  return rules.some((entry) => concerns(entry) && !isFalseUntouched(entry.rule.when, here, firstReading));
}

/** Does the level end within the first second of its clock if no reading but the time changes? */
function endsByTime({ prepared: level }: SlotFacts): boolean {
  const { judging } = level;
  const judge = makeJudge(judging.rules, judging.tie, judging);
  const verdicts = startVerdicts(judge);
  const seen = startObserved(level);
  for (let tick = 0; tick <= NOBODY_ACTS_TICKS && !verdicts.ended; tick++) {
    seen.clockTicks = tick;
    judgeTick(judge, seen, verdicts);
    endTick(judge, seen, verdicts, null);
  }
  return verdicts.ended;
}

/** Does anything about the start make it worth trying whether the level ends by itself? Trying each would take long. */
function isSuspicious({ prepared: level }: SlotFacts): boolean {
  const { judging } = level;
  if (judging.limitTicks >= 0 && judging.limitTicks <= NOBODY_ACTS_TICKS) return true;
  const at = startPlace(level);
  const isIn = zonesOf(level).some(
    ({ x, y, width, height }) => at.x >= x && at.x <= x + width && at.y >= y && at.y <= y + height,
  );
  if (isIn) return true;
  const { rows, pieces } = level.motion;
  const mayHurt =
    rows.some((row) => row.includes('~')) || SORTS.some((sort) => sort.avoids && pieces[sort.name].length > 0);
  if (!mayHurt) return false;
  const { avoid, grid } = makeWorld(level);
  return avoid[cellAt(grid, at.x, at.y)] === 1;
}

/** The level with one input held, until it ends or somebody could act. */
function held({ prepared: level }: SlotFacts, input: number): AttemptState {
  const state = startAttempt(makeWorld(level), 0);
  for (let tick = 0; tick < NOBODY_ACTS_TICKS; tick++) step(state, input);
  return state;
}

/** Inputs tried at most where a level may end whatever is pressed. */
const MOST_INPUTS = 8;

/** The end of the level if it comes whatever is pressed; undefined where some input avoids it. */
function endWhateverIsPressed(here: SlotFacts): AttemptState | undefined {
  const { length } = groundKindOf(here.prepared.kind).actions;
  const stride = Math.max(1, Math.floor(length / MOST_INPUTS));
  let last: AttemptState | undefined;
  for (let input = 0; input < length; input += stride) {
    if (input === REST) continue;
    last = held(here, input);
    if (last.phase === 'playing') return undefined;
  }
  return last;
}

/** @param pressed it ends so whatever is pressed, but not for a player who does nothing */
function foundByRule(here: SlotFacts, { phase, tick, verdicts }: AttemptState, pressed: boolean): Found[] {
  const won = phase === 'won';
  const entry = here.rules[verdicts.ending.rule];
  if (!entry) return [];
  const { rule, path } = entry;
  const parts = leaves(rule.when);
  const [only] = parts;
  const base = [...path, 'when'];
  const ask = parts.length === 1 && only ? leastToAsk(only.leaf, here) : undefined;
  const mend: Mend | undefined =
    ask === undefined || !only
      ? undefined
      : {
          label: `Ask for ${say(ask)}, half of what is placed`,
          patch: [
            {
              op: 'replace',
              path: pointerOf([...base, ...only.path, 'amount']),
              value: { from: 'number', value: ask },
            },
          ],
        };
  const words = conditionInWords(rule.when, here.names);
  return [
    {
      slotId: here.slot.id,
      path: pointerOf(base),
      sentence: `The level is ${won ? 'won' : 'lost'} ${pressed ? 'as soon as' : 'before'} the player has moved.`,
      reason: pressed
        ? `After ${say(ticksToSeconds(tick))} s it holds whatever is pressed: ${words}.`
        : tick <= 1
          ? `At the start it already holds: ${words}.`
          : `Whoever stays at the start for ${say(ticksToSeconds(tick))} s has it: ${words}.`,
      ...(mend ? { mend } : {}),
    },
  ];
}

/** An ending that comes before the player has done anything. */
export const alreadyTrue: Check<'slot'> = {
  code: 'already-true',
  title: 'Ends before anybody acts',
  group: 'start',
  severity: 'stops play',
  source: 'judge',
  scope: 'slot',
  find: (here) => {
    const { clock, id } = here.level;
    const limitTicks = clock.limitSeconds === null ? -1 : secondsToTicks(here.number(clock.limitSeconds));
    // A clock of nothing ends the level as soon as it runs, whoever starts it.
    if (limitTicks === 0 && clock.atExpiry !== 'grade')
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(['levels', id, 'clock', 'limitSeconds']),
          sentence: `The level is ${clock.atExpiry === 'win' ? 'won' : 'lost'} as soon as its clock runs.`,
          reason: 'The clock gives 0 s.',
        },
      ];
    if (!mayEndByItself(here)) return [];
    const byTime = endsByTime(here);
    if (!byTime && !isSuspicious(here)) return [];
    const untouched = held(here, REST);
    if (untouched.phase !== 'playing') return foundByRule(here, untouched, false);
    const pressed = byTime ? endWhateverIsPressed(here) : undefined;
    return pressed ? foundByRule(here, pressed, true) : [];
  },
};
