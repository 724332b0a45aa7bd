import { at, replaceAt, setOptional, type NamedEdit } from '@stadion/core/authoring/edits';
import { literal, type Level, type Pacer, type Project } from '@stadion/core/document/model';
import { PERFECT_PACER } from '@stadion/core/forecast/pacers';
import { fromRow, type AttemptRecord, type AttemptRow } from '@stadion/core/forecast/trials';
import { parFrom, shareMeeting, thresholdFor, type ProposedStar } from '@stadion/core/forecast/tuning';
import { useMemo, useState } from 'react';
import { useSelection } from '../../address/address.ts';
import { useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { useBooks } from '../../answers/useBooks.ts';
import { useForecastsOf } from '../../answers/usePacerForecasts.ts';
import { STAR_READINGS } from '../../sentences/starReadings.ts';
import { Button, ChoiceChip, formatNumber, formatPercent, NumberChip } from '../../ui/index.ts';

/** Shares that earn two stars, three, and so on: the first star is for clearing the level. */
const USUAL_SHARES = [0.5, 0.15, 0.05, 0.02];

/** Cleared attempts by a pacer, by slot id; undefined where they are not known yet. */
function useCleared(pacer: Pacer): ReadonlyMap<string, readonly AttemptRecord[]> {
  const [list] = useForecastsOf(useMemo(() => [pacer.id], [pacer.id]));
  const done = useMemo(() => list?.entries.filter((entry) => entry.done) ?? [], [list]);
  const books = useBooks(useMemo(() => done.map(({ key }) => key), [done]));
  return useMemo(
    () =>
      new Map(
        done.flatMap(({ slotId, key }) => {
          const rows: readonly AttemptRow[] | undefined = books.get(key);
          return rows ? [[slotId, rows.map(fromRow).filter(({ won }) => won)] as const] : [];
        }),
      ),
    [done, books],
  );
}

/** Thresholds of a level from shares of those who clear it; undefined where it has no ladder, or nobody clears it. */
function proposedFor(
  level: Level,
  cleared: readonly AttemptRecord[] | undefined,
  shares: readonly number[],
): (ProposedStar | null)[] | undefined {
  const { stars } = level;
  if (stars.is !== 'ladder' || !cleared || cleared.length === 0) return undefined;
  const readings = cleared.flatMap(({ starReading }) => (starReading === null ? [] : [starReading]));
  if (readings.length === 0) return undefined;
  return stars.thresholds.map((_, index) =>
    index === 0 ? null : (thresholdFor(readings, stars.reading, stars.direction, shares[index - 1] ?? 0.5) ?? null),
  );
}

const starsPatch = (level: Level, proposed: readonly (ProposedStar | null)[]): NamedEdit['patch'] =>
  proposed.flatMap((star, index) =>
    star ? [replaceAt(at('levels', level.id, 'stars', 'thresholds', index), literal(star.threshold))] : [],
  );

/** Every level with its first slot. */
function firstSlots({ slots, levels }: Project): { slotId: string; level: Level }[] {
  const seen = new Set<string>();
  return slots.flatMap(({ id, levelId }) => {
    const level = levels[levelId];
    if (!level || seen.has(levelId)) return [];
    seen.add(levelId);
    return [{ slotId: id, level }];
  });
}

/** Star thresholds from shares of those who clear the level, and par from players without mistakes: here, or at all levels. */
export function StarShares() {
  const project = useProject();
  const { position } = useSelection();
  const pacer = usePacer();
  const edit = useEdit();
  const [shares, setShares] = useState(USUAL_SHARES);
  const [of, setOf] = useState<'best' | 'median'>('median');
  const cleared = useCleared(pacer);
  const flawless = useCleared(PERFECT_PACER);
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return null;
  const { stars } = level;
  const proposed = proposedFor(level, cleared.get(slot.id), shares);
  const par = parFrom(flawless.get(slot.id)?.map(({ seconds }) => seconds) ?? [], of);
  const all = firstSlots(project);
  const everywhere = all.flatMap(({ slotId, level: each }) => {
    const found = proposedFor(each, cleared.get(slotId), shares);
    return found ? [{ level: each, found }] : [];
  });
  const pars = all.flatMap(({ slotId, level: each }) => {
    const found = parFrom(flawless.get(slotId)?.map(({ seconds }) => seconds) ?? [], of);
    return found === undefined ? [] : [{ level: each, found }];
  });
  const setPar = (one: Level, seconds: number): NamedEdit['patch'] =>
    setOptional(at('levels', one.id, 'clock', 'parSeconds'), one.clock.parSeconds, literal(seconds));
  const isLadder = stars.is === 'ladder';
  const unit = isLadder ? STAR_READINGS[stars.reading] : undefined;
  const flawlessReadings = flawless
    .get(slot.id)
    ?.flatMap(({ starReading }) => (starReading === null ? [] : [starReading]));
  const byFlawless = (threshold: number): string =>
    isLadder && flawlessReadings?.length
      ? `; without mistakes: ${formatPercent(shareMeeting(flawlessReadings, stars.direction, threshold))}`
      : '';
  return (
    <div>
      {isLadder ? (
        <>
          {stars.thresholds.slice(1).map((_, index) => {
            const star = proposed?.[index + 1];
            return (
              <p key={index} className="say">
                {'★'.repeat(index + 2)} for the best{' '}
                <NumberChip
                  label={`Share that earns ${index + 2} stars`}
                  value={shares[index] ?? 0.5}
                  step={0.01}
                  scale={100}
                  unit="%"
                  min={0.01}
                  max={1}
                  onCommit={(value) => setShares(shares.map((share, which) => (which === index ? value : share)))}
                />{' '}
                {star ? (
                  <span>
                    <b>
                      {stars.direction === 'atMost' ? 'at most' : 'at least'} {formatNumber(star.threshold)}{' '}
                      {unit?.unit}
                    </b>{' '}
                    <span className="text-ink-3">
                      ({formatPercent(star.share)}
                      {byFlawless(star.threshold)})
                    </span>
                  </span>
                ) : null}
              </p>
            );
          })}
          <p className="text-[11.5px] text-ink-3">
            Of {pacer.name} who clear it, by {unit?.label}.{proposed ? '' : ' Not known yet, or nobody clears it.'}
          </p>
          <div className="mt-1.5 flex flex-wrap gap-2">
            <Button
              disabled={!proposed}
              onClick={() =>
                proposed && edit({ label: `Stars of ${level.name} from shares`, patch: starsPatch(level, proposed) })
              }
            >
              Set here
            </Button>
            <Button
              disabled={everywhere.length === 0}
              onClick={() =>
                edit({
                  label: `Stars of ${everywhere.length} levels from shares`,
                  patch: everywhere.flatMap(({ level: each, found }) => starsPatch(each, found)),
                })
              }
            >
              Set at all {everywhere.length} levels known
            </Button>
          </div>
        </>
      ) : (
        <p className="text-ink-2">Each star of this level has a condition of its own: there is no threshold to set.</p>
      )}
      <p className="say mt-2.5">
        Par is the{' '}
        <ChoiceChip
          label="Par is the"
          value={of}
          choices={[
            { value: 'best', label: 'best' },
            { value: 'median', label: 'median' },
          ]}
          onChoose={(value) => setOf(value as typeof of)}
        />{' '}
        of 200 attempts without mistakes{par === undefined ? '' : ': '}
        {par === undefined ? null : <b>{par} s</b>}
      </p>
      {par === undefined ? <p className="text-[11.5px] text-ink-3">Not known yet, or nobody clears it.</p> : null}
      <div className="mt-1.5 flex flex-wrap gap-2">
        <Button
          disabled={par === undefined}
          onClick={() =>
            par !== undefined && edit({ label: `Par of ${level.name}: ${par} s`, patch: setPar(level, par) })
          }
        >
          Set par here
        </Button>
        <Button
          disabled={pars.length === 0}
          onClick={() =>
            edit({
              label: `Par of ${pars.length} levels`,
              patch: pars.flatMap(({ level: each, found }) => setPar(each, found)),
            })
          }
        >
          Set par at all {pars.length} levels known
        </Button>
      </div>
    </div>
  );
}
