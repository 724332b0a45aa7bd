import { PIECES, startPlace, type PreparedLevel, type StartFrom } from '@stadion/core/play/attempt';
import { sectionsOf } from '@stadion/core/play/grid';
import { groundKindOf } from '@stadion/core/play/movement';
import type { Reading } from '@stadion/core/document/model';
import { READINGS, readingInWords, resolveAmount } from '@stadion/core/play/rules';
import type { LevelContext } from '../../readings/levelContext.ts';
import { Button, ChoiceChip, formatNumber, NumberChip } from '../../ui/index.ts';

interface Props {
  here: LevelContext;
  prepared: PreparedLevel;
  from: StartFrom;
  onChange: (from: StartFrom) => void;
  onStart: () => void;
  onReset: () => void;
}

/** Sets the state that an attempt begins from: place, readings, pieces gathered, clock, latches, tallies. */
export function StartFromPanel({ here, prepared, from, onChange, onStart, onReset }: Props) {
  const { project, values, placed } = here;
  const { motion } = prepared;
  const set = (change: Partial<StartFrom>): void => onChange({ ...from, ...change });
  const at = from.at ?? startPlace(prepared);
  const width = motion.rows[0]?.length ?? 0;
  const gathered = new Set(from.gathered ?? []);
  const given = here.level.ground.pieces.flatMap((piece) => PIECES[piece.piece].gives?.(piece) ?? []);
  const ofKind = (kind: string): number[] => given.flatMap((piece, index) => (piece.kind === kind ? [index] : []));
  const sections = sectionsOf(here.level.ground);
  const latches = here.level.ground.pieces.filter((piece) => PIECES[piece.piece].subject === 'latch');
  const chip = (label: string, value: number, onCommit: (value: number) => void, most: number, unit = '') => (
    <NumberChip label={label} value={value} step={1} min={0} max={most} unit={unit} onCommit={onCommit} />
  );
  const counted = groundKindOf(prepared.kind).readings.filter(
    (name) => READINGS[name].unit === 'count' && READINGS[name].direction === 'up',
  );
  const row = 'flex items-center justify-between gap-2';
  return (
    <section aria-label="Start from a state" className="mb-2 border-b border-line pb-2">
      <p className="mb-1 text-[12px] text-ink-3">
        Click the ground to set the place. Nothing moves until the first key is pressed.
      </p>
      <div className={row}>
        place, across and down
        <span className="say">
          <NumberChip
            label="Place across"
            value={at.x}
            step={0.5}
            min={0.5}
            max={width - 0.5}
            onCommit={(x) => set({ at: { ...at, x } })}
          />
          <NumberChip
            label="Place down"
            value={at.y}
            step={0.5}
            min={0.5}
            max={motion.rows.length - 0.5}
            onCommit={(y) => set({ at: { ...at, y } })}
          />
        </span>
      </div>
      <div className={row}>
        time gone {chip('Time gone', from.clockSeconds ?? 0, (clockSeconds) => set({ clockSeconds }), 3600, 's')}
      </div>
      <div className={row}>
        lives {chip('Lives', from.lives ?? prepared.judging.lives, (lives) => set({ lives }), 99)}
      </div>
      <div className={row}>
        health{' '}
        {chip(
          'Health',
          from.health ?? motion.player.health,
          (health) => set({ health }),
          resolveAmount(project.player.health, values, placed),
        )}
      </div>
      <div className={row}>
        points besides those gathered{' '}
        {chip('Points besides those gathered', from.bonus ?? 0, (bonus) => set({ bonus }), 1_000_000)}
      </div>
      <div className={row}>tries {chip('Tries', from.tries ?? 1, (tries) => set({ tries }), 999)}</div>
      {project.kinds.collectables.map((kind) => {
        const pieces = ofKind(kind.id);
        if (pieces.length === 0) return null;
        const count = pieces.filter((piece) => gathered.has(piece)).length;
        return (
          <div key={kind.id} className={row}>
            {kind.name} gathered, of {formatNumber(pieces.length)}{' '}
            {chip(
              `${kind.name} gathered`,
              count,
              (next) => {
                const others = [...gathered].filter((piece) => !pieces.includes(piece));
                set({ gathered: [...others, ...pieces.slice(0, next)] });
              },
              pieces.length,
            )}
          </div>
        );
      })}
      {counted.map((reading) => (
        <div key={reading} className={row}>
          {readingInWords({ reading } as Reading, here.names)}
          {chip(
            `${readingInWords({ reading } as Reading, here.names)} so far`,
            from.readings?.[reading] ?? 0,
            (value) => set({ readings: { ...from.readings, [reading]: value } }),
            999,
          )}
        </div>
      ))}
      {sections.length > 0 ? (
        <div className={row}>
          which section comes
          <ChoiceChip
            label="Which section comes"
            value={String(from.onlyPart ?? -1)}
            choices={[
              { value: '-1', label: 'as they are drawn' },
              ...sections.map(({ name }, index) => ({ value: String(index), label: `only ${name}` })),
            ]}
            onChoose={(value) => {
              const { onlyPart: _onlyPart, ...rest } = from;
              onChange(value === '-1' ? rest : { ...rest, onlyPart: Number(value) });
            }}
          />
        </div>
      ) : null}
      {latches.map((latch, index) => {
        const isOn = from.latches?.includes(index) === true;
        return (
          <label key={latch.id} className={row}>
            {here.names.pieces[latch.id]} is on
            <input
              type="checkbox"
              checked={isOn}
              onChange={() =>
                set({
                  latches: isOn
                    ? (from.latches ?? []).filter((other) => other !== index)
                    : [...(from.latches ?? []), index],
                })
              }
            />
          </label>
        );
      })}
      {project.tallies.map((tally, index) => (
        <div key={tally.id} className={row}>
          “{tally.name}”
          <NumberChip
            label={tally.name}
            value={from.tallies?.[index] ?? tally.start}
            step={1}
            onCommit={(value) => set({ tallies: { ...from.tallies, [index]: value } })}
          />
        </div>
      ))}
      <div className="mt-1.5 flex gap-2">
        <Button look="main" onClick={onStart}>
          Start from this
        </Button>
        <Button onClick={onReset}>As the level starts</Button>
      </div>
    </section>
  );
}
