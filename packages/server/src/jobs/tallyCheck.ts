import type { Tally } from '@stadion/core/forecast/trials';
import { z } from 'zod';

const Count = z.int().min(0);
const Finite = z.number();

/** The result of a batch, as far as adding it up relies on its shape. */
const BatchTally = z.looseObject({
  attempts: z.int().min(1),
  cleared: Count,
  wins: z.array(z.boolean()),
  times: z.array(Finite.min(0)),
  rounds: z.array(Count).optional(),
  starReadings: z.array(Finite.nullable()),
  stars: z.array(Count).length(6),
  endings: z.record(z.string(), Count),
  lostAt: z.array(Finite),
  fired: z.array(Count).optional(),
  gathered: z.array(Count).optional(),
  booked: z.array(z.unknown()).optional(),
  parts: z.array(z.strictObject({ entered: Count, lost: Count, lostAt: z.array(Finite) })).optional(),
});

const sum = (counts: readonly number[]): number => counts.reduce((all, count) => all + count, 0);

/**
 * Checks the result of a batch that came from another machine, before anything of it is added.
 *
 * @param count the attempts that were asked for; fewer are fine, since a slow batch ends early
 * @throws Error with what does not fit
 */
export function checkedTally(value: unknown, count: number): Tally {
  const parsed = BatchTally.safeParse(value);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    throw new Error(`The result of a batch does not fit at ${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`);
  }
  const { attempts, cleared, wins, times, stars, endings, booked = [] } = parsed.data;
  const fits =
    attempts <= count &&
    wins.length === attempts &&
    wins.filter(Boolean).length === cleared &&
    times.length === cleared &&
    sum(stars) <= attempts &&
    sum(Object.values(endings)) <= attempts &&
    booked.length <= attempts;
  if (!fits) throw new Error(`The result of a batch of ${count} attempts does not add up.`);
  return value as Tally;
}
