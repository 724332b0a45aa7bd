import { logisticFit, wilson, Z_95, type Interval } from '../../basics/stats/index.ts';
import { wantedShare, type Goal } from './goal.ts';
import { searchOf, type Search, type Pending } from './search.ts';
import type { TuningLine } from './line.ts';
import { logOdds, odds } from './odds.ts';

/** Attempts at one value of a line, and how many of them met the goal. */
export interface Tried {
  at: number;
  attempts: number;
  met: number;
}

/** A value at which the wanted share is met. */
export interface Crossing {
  at: number;
  /** 95 %, along the line. */
  low: number;
  high: number;
}

/** How far the search has come. */
export interface Brought {
  stage: 'scanning' | 'narrowing' | 'confirming' | 'done';
  attempts: number;
  /** In the order of the line. */
  tried: Tried[];
  /** All values at which the goal is met, as far as they are known; the one nearest to where the level stands first. */
  crossings: Crossing[];
  /** The proposed value, confirmed by attempts of its own; null until then, and where no value meets the goal. */
  answer: { at: number; share: number; interval: Interval } | null;
  /** No value meets the goal: the one that comes nearest. */
  nearest: Tried | null;
}

type Rounds = Generator<readonly Pending[], void>;

const SCANNED = 13;
const SCAN_ATTEMPTS = 60;
/** Number of places of the first scan that are requested together. */
const SCANNED_TOGETHER = 4;
const BATCH = 40;
/** The wanted deviation of the share: within 2 points in nearly 99 of 100 tries, if the line is as straight as held. */
const SURE = 0.008;
const MOST_ATTEMPTS = 8000;
const CONFIRMED = 600;
/** Attempts after which a share that seems to be the wanted one, without being crossed, is held for it. */
const TOUCHES = 600;
/** Distance over which a straight line through log odds holds, in log odds to either side. */
const REACH = 0.8;
const NARROW_REACH = 0.4;
/** As soon as the share is known so well, batches come from nearer by: a bend of the line would count as an error else. */
const NARROWED = 0.02;
/** Attempts of a confirmation are addressed apart from those of the search. */
const CONFIRMATION = 1_000_000;

interface Local {
  at: number;
  /** Standard deviation of the share there. */
  deviation: number;
  /** Standard deviation of the value. */
  spread: number;
  /** Log odds by unit of the line. */
  slope: number;
}

/**
 * Searches the value of a line at which the wanted share of attempts meets a goal: a coarse scan first, since shares need
 * not go one way along a parameter; then small batches to both sides of where a local logistic fit meets the wanted share,
 * until that is sure; then a confirmation by attempts of its own.
 *
 * @param position from 1; there must be a level
 */
export function bringThere(position: number, line: TuningLine, goal: Goal): Search<Brought> {
  const wanted = wantedShare(goal);
  const wantedOdds = logOdds(Math.min(0.999, Math.max(0.001, wanted)));
  const tried = new Map<number, Tried>();
  let played = 0;
  let asked = 0;
  let stage: Brought['stage'] = 'scanning';
  let answer: Brought['answer'] = null;
  let nearest: Tried | null = null;
  let side = 0;
  let straight = REACH;
  let confirmed: Tried | undefined;
  let retried = false;

  const scan = scanOf(line);
  const spacing = scan.length > 1 ? (scan.at(-1)! - scan[0]!) / (scan.length - 1) : 1;

  /** Attempts at one place, that count for it. */
  function attemptsAt(at: number, count: number, into: Tried, from = asked): Pending {
    asked += count;
    return {
      batch: { position, values: line.values(at), from, count },
      note({ successes, trials }) {
        played += count;
        into.attempts += trials;
        into.met += successes;
      },
    };
  }

  function tryAt(at: number, count: number): Pending {
    const into = tried.get(at) ?? { at, attempts: 0, met: 0 };
    tried.set(at, into);
    return attemptsAt(at, count, into);
  }

  const onLine = (at: number): number => Math.min(line.max, Math.max(line.min, at));
  const inOrder = (): Tried[] => [...tried.values()].toSorted((one, other) => one.at - other.at);
  const shareOf = ({ attempts, met }: Tried): number => (met + 0.5) / (attempts + 1);
  const gapOf = (each: Tried): number => Math.abs(shareOf(each) - wanted);
  /** The one whose share comes nearest to the wanted one. */
  const nearestOf = (all: readonly Tried[]): Tried | undefined =>
    all.toSorted((one, other) => gapOf(one) - gapOf(other))[0];

  /** Between which neighbours the share crosses the wanted one. */
  function brackets(): [Tried, Tried][] {
    const all = inOrder().filter(({ attempts }) => attempts >= BATCH / 2);
    // Where many batches lie close together, single ones would seem to cross back and forth. The ends stay by themselves: the
    // share may be crossed just inside.
    const isEnd = ({ at }: Tried): boolean => at === line.min || at === line.max;
    const merged: Tried[] = [];
    for (const each of all) {
      const last = merged.at(-1);
      if (last && !line.whole && !isEnd(last) && !isEnd(each) && each.at - last.at < spacing * 0.45) {
        const attempts = last.attempts + each.attempts;
        merged[merged.length - 1] = {
          at: (last.at * last.attempts + each.at * each.attempts) / attempts,
          ...{ attempts, met: last.met + each.met },
        };
      } else merged.push({ ...each });
    }
    return merged.flatMap((each, index): [Tried, Tried][] => {
      const next = merged[index + 1];
      return next && shareOf(each) - wanted > 0 !== shareOf(next) - wanted > 0 ? [[each, next]] : [];
    });
  }

  const nearestBracket = (all: readonly [Tried, Tried][]): [Tried, Tried] | undefined =>
    all.toSorted(
      ([a, b], [c, d]) => Math.abs((a.at + b.at) / 2 - line.now) - Math.abs((c.at + d.at) / 2 - line.now),
    )[0];

  /** The local fit around a place; undefined where it does not settle. */
  function fitAround(at: number, width: number): Local | undefined {
    const near = inOrder().filter((each) => Math.abs(each.at - at) <= width);
    if (near.length < 2) return undefined;
    const { coefficients, covariance, settled } = logisticFit(
      near.map((each) => [(each.at - at) / width]),
      near.map(({ met, attempts }) => ({ successes: met, trials: attempts })),
      odds,
    );
    const [constant, slope] = coefficients as [number, number];
    if (!settled || Math.abs(slope) < 1e-6) return undefined;
    const x = (wantedOdds - constant) / slope;
    const variance = covariance[0]![0]! + 2 * x * covariance[0]![1]! + x * x * covariance[1]![1]!;
    const deviation = Math.sqrt(Math.max(0, variance));
    return {
      at: at + x * width,
      deviation: deviation * wanted * (1 - wanted),
      spread: Math.abs((deviation / slope) * width),
      slope: slope / width,
    };
  }

  /** Where one bracket is met, by what is known. */
  function within([left, right]: [Tried, Tried]): Local | undefined {
    const [a, b] = [shareOf(left), shareOf(right)];
    let at = left.at + ((right.at - left.at) * (wanted - a)) / (b - a);
    let width = Math.max(right.at - left.at, spacing) * 1.05;
    let local: Local | undefined;
    for (let round = 0; round < 4; round++) {
      const fit = fitAround(at, width);
      if (!fit || fit.at < left.at - spacing || fit.at > right.at + spacing) break;
      local = fit;
      at = fit.at;
      width = Math.min(1.5 * spacing, Math.max(spacing / 16, (1.6 * straight) / Math.abs(fit.slope)));
    }
    return local;
  }

  function* scanNext(): Rounds {
    const due = scan.filter((at) => !tried.has(at)).slice(0, SCANNED_TOGETHER);
    if (due.length > 0) return yield due.map((at) => tryAt(at, SCAN_ATTEMPTS));
    if (brackets().length > 0) {
      stage = 'narrowing';
      return;
    }
    // No crossing is seen: where the share comes nearest, it may still be one.
    const unsure = inOrder().filter(({ attempts, met }) => {
      const { low, high } = wilson(met, Math.max(1, attempts));
      return low <= wanted && wanted <= high;
    });
    const unsettled = nearestOf(unsure.filter(({ attempts }) => attempts < TOUCHES));
    if (unsettled && played < MOST_ATTEMPTS) return yield [tryAt(unsettled.at, BATCH * 2)];
    // It is met, but not crossed: at an end, or where the share turns round.
    const touching = nearestOf(unsure);
    if (!touching) return endWithNone();
    confirmed = { at: touching.at, attempts: 0, met: 0 };
    stage = 'confirming';
  }

  function endWithNone(): void {
    nearest = nearestOf(inOrder().filter(({ attempts }) => attempts > 0)) ?? null;
    stage = 'done';
  }

  function* narrowNext(): Rounds {
    const bracket = nearestBracket(brackets());
    if (!bracket) {
      stage = 'scanning';
      if (played >= MOST_ATTEMPTS) endWithNone();
      return;
    }
    const [left, right] = bracket;
    if (line.whole) {
      const due = [left, right].toSorted((one, other) => one.attempts - other.attempts)[0] as Tried;
      const isApart = Math.abs(right.at - left.at) > 1.5;
      if (isApart) return yield [tryAt(Math.round((left.at + right.at) / 2), SCAN_ATTEMPTS)];
      if (due.attempts < 900 && played < MOST_ATTEMPTS) return yield [tryAt(due.at, BATCH * 2)];
      stage = 'confirming';
      return;
    }
    const local = within(bracket);
    if (local && local.deviation <= NARROWED) straight = NARROW_REACH;
    const isSure = local !== undefined && local.deviation <= SURE && played > 1200;
    if (isSure || played >= MOST_ATTEMPTS) {
      stage = 'confirming';
      return;
    }
    const middle = local?.at ?? (left.at + right.at) / 2;
    const reach = local ? Math.min(spacing, Math.max(spacing / 24, straight / Math.abs(local.slope))) : spacing / 2;
    side = (side + 1) % 4;
    const away = [0.7, -0.7, 0.35, -0.35][side] as number;
    // Places close to each other count as one, so that their levels are made ready once.
    const grid = reach / 5;
    yield [tryAt(onLine(Math.round((middle + away * reach) / grid) * grid), BATCH)];
  }

  function best(): number | undefined {
    const bracket = nearestBracket(brackets());
    if (!bracket) return undefined;
    if (line.whole) return nearestOf(bracket)?.at;
    const at = within(bracket)?.at;
    return at === undefined ? undefined : line.round(onLine(at));
  }

  function* confirmNext(): Rounds {
    const at = confirmed?.at ?? best();
    if (at === undefined) return endWithNone();
    confirmed ??= { at, attempts: 0, met: 0 };
    yield [attemptsAt(at, BATCH * 2, confirmed, CONFIRMATION + asked)];
    if (confirmed.attempts < CONFIRMED && played < MOST_ATTEMPTS + 2 * CONFIRMED) return;
    const { attempts, met } = confirmed;
    const share = attempts === 0 ? 0 : met / attempts;
    const deviation = Math.sqrt((wanted * (1 - wanted)) / Math.max(1, attempts));
    // Attempts that disagree with the search continue it, and count in it.
    if (!line.whole && !retried && brackets().length > 0 && Math.abs(share - wanted) > 3 * deviation) {
      retried = true;
      const into = tried.get(at) ?? { at, attempts: 0, met: 0 };
      tried.set(at, { at, attempts: into.attempts + attempts, met: into.met + met });
      confirmed = undefined;
      for (let i = 0; i < 12; i++) yield* narrowNext();
      if ((stage as Brought['stage']) !== 'done') stage = 'narrowing';
      return;
    }
    if (brackets().length === 0 && Math.abs(share - wanted) > 2 * deviation) return endWithNone();
    answer = { at, share, interval: wilson(met, Math.max(1, attempts)) };
    stage = 'done';
  }

  function* rounds(): Rounds {
    while (stage !== 'done') {
      if (stage === 'scanning') yield* scanNext();
      else if (stage === 'narrowing') yield* narrowNext();
      else yield* confirmNext();
    }
  }

  return searchOf(rounds(), () => {
    const all = stage === 'scanning' && !scan.every((at) => tried.has(at)) ? [] : brackets();
    const first = nearestBracket(all);
    const ordered = first ? [first, ...all.filter((each) => each !== first)] : [];
    return {
      stage,
      attempts: played,
      tried: inOrder(),
      crossings: ordered.map((bracket) => {
        const local = line.whole ? undefined : within(bracket);
        const [low, high] = [bracket[0].at, bracket[1].at];
        if (!local) return { at: (low + high) / 2, low, high };
        return { at: local.at, low: local.at - Z_95 * local.spread, high: local.at + Z_95 * local.spread };
      }),
      answer,
      nearest,
    };
  });
}

/** The values that are looked at first: evenly over the line, and where the level stands. */
function scanOf({ min, max, whole, now }: TuningLine): number[] {
  const count = whole ? Math.min(SCANNED, Math.round(max - min) + 1) : SCANNED;
  const even = Array.from({ length: count }, (_, index) => min + ((max - min) * index) / Math.max(1, count - 1));
  const all = new Set(whole ? [...even.map(Math.round), Math.round(now)] : even);
  return [...all].filter((at) => at >= min && at <= max).toSorted((one, other) => one - other);
}
