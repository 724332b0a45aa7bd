import { setRamp, type NamedEdit } from '@stadion/core/authoring/edits';
import { wantedAt } from '@stadion/core/document/ramps';
import type { FitAsked, FitSlot, RampFit, Unmet } from '@stadion/core/forecast/tuning';
import { useState } from 'react';
import { useColumns } from '../../columns/columns.ts';
import { useGoto } from '../../address/address.ts';
import { useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { StopAndGo } from '../../answers/StopAndGo.tsx';
import { searchHook } from '../../answers/useSearch.ts';
import { Button, ChoiceChip, formatNumber, formatPercent, NumberChip } from '../../ui/index.ts';
import { SlotRow } from '../../columns/SlotRow.tsx';

const useFit = searchHook('fit', (project) => project);

const WHY: Readonly<Record<Unmet, string>> = {
  'nothing acts': 'none of the chosen parameters changes its clear rate',
  pinned: 'its values are pinned',
  'at its end': 'every value is at the end of its range',
  shape: 'the ramps cannot bend so',
};

/** Turns ramps so that the clear rates come to what is wanted: what may be turned, what it would bring, taking it. */
export function FitPanel() {
  const project = useProject();
  const pacer = usePacer();
  const count = project.slots.length;
  const turnable = project.parameters.filter(({ ramp }) => ramp.axis === undefined && ramp.shape.type !== 'formula');
  const fit = useFit();
  const { question, found, isRunning, ask } = fit;
  // As it was asked last, until something else is chosen.
  const last = question?.asked;
  const [chosen, choose] = useState<Partial<Omit<FitAsked, 'wanted'>>>({});
  const { from = 1, to = count, by = 'own', bounds = {} } = { ...last, ...chosen };
  const turned = new Set(chosen.keys ?? last?.keys ?? turnable.map(({ key }) => key));
  const keys = turnable.flatMap(({ key }) => (turned.has(key) ? [key] : []));
  const wanted = project.slots.map((_, index) => wantedAt(project, index + 1));
  const search = (): void => {
    const narrowed = Object.fromEntries(Object.entries(bounds).filter(([key]) => keys.includes(key)));
    ask({ keys, from: Math.min(from, to), to: Math.max(from, to), wanted, by, bounds: narrowed });
  };
  return (
    <section aria-label="Turn the ramps to what is wanted" className="border-t border-line-strong py-2.5">
      <div className="px-3.5">
        <h2 className="text-[14px]">Turn the ramps to what is wanted</h2>
        <p className="say">
          For {pacer.name}, from level{' '}
          <NumberChip
            label="Turn from level"
            value={from}
            step={1}
            whole
            min={1}
            max={count}
            onCommit={(next) => choose({ ...chosen, from: next })}
          />{' '}
          to{' '}
          <NumberChip
            label="Turn to level"
            value={Math.min(to, count)}
            step={1}
            whole
            min={1}
            max={count}
            onCommit={(next) => choose({ ...chosen, to: next })}
          />
          , by{' '}
          <ChoiceChip
            label="Turned by"
            value={by}
            choices={[
              { value: 'own', label: 'the ramps’ own numbers' },
              { value: 'points', label: 'a point of the ramp at every level' },
            ]}
            onChoose={(next) => choose({ ...chosen, by: next as FitAsked['by'] })}
          />
          ; pins stay as they are.
        </p>
        <fieldset className="my-1 flex flex-wrap gap-x-4 gap-y-0.5">
          <legend className="sr-only">Parameters that may be turned</legend>
          {turnable.map(({ key, label, sane, number }) => (
            <span key={key} className="flex items-center gap-1.5">
              <label className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  checked={turned.has(key)}
                  onChange={({ target }) =>
                    choose({
                      ...chosen,
                      keys: target.checked ? [...keys, key] : keys.filter((each) => each !== key),
                    })
                  }
                />
                {label}
              </label>
              {turned.has(key) ? (
                <Between
                  label={label}
                  sane={sane}
                  isShare={number === 'share'}
                  value={bounds[key] ?? sane}
                  onChange={(next) => choose({ ...chosen, bounds: { ...bounds, [key]: next } })}
                />
              ) : null}
            </span>
          ))}
        </fieldset>
        <div className="flex items-center gap-2">
          <Button disabled={keys.length === 0 || wanted.every((each) => each === undefined)} onClick={search}>
            {question ? 'Fit again' : 'Fit'}
          </Button>
          <StopAndGo of={fit} />
          {wanted.every((each) => each === undefined) ? (
            <span className="text-ink-3">Nothing is wanted yet: say it above.</span>
          ) : null}
        </div>
      </div>
      {question && found ? (
        <Outcome fit={found} isRunning={isRunning} of={question.pacer.name} />
      ) : question ? (
        <p role="status" className="px-3.5 pt-2 text-ink-3">
          The levels are being tried as they stand…
        </p>
      ) : null}
    </section>
  );
}

interface BetweenProps {
  label: string;
  sane: { min: number; max: number };
  isShare: boolean;
  value: { min: number; max: number };
  onChange: (next: { min: number; max: number }) => void;
}

/** Between which values a parameter may be turned, inside its sane range. */
function Between({ label, sane, isShare, value, onChange }: BetweenProps) {
  const shown = isShare ? { scale: 100, unit: '%' } : {};
  const { min, max } = value;
  return (
    <span className="say text-[12px]">
      <NumberChip
        {...shown}
        label={`${label}, at least`}
        value={min}
        step={isShare ? 0.05 : 1}
        min={sane.min}
        max={max}
        onCommit={(next) => onChange({ min: next, max })}
      />
      <span className="join">to</span>
      <NumberChip
        {...shown}
        label={`${label}, at most`}
        value={max}
        step={isShare ? 0.05 : 1}
        min={min}
        max={sane.max}
        onCommit={(next) => onChange({ min, max: next })}
      />
    </span>
  );
}

function Outcome({ fit, isRunning, of: player }: { fit: RampFit; isRunning: boolean; of: string }) {
  const project = useProject();
  const columns = useColumns();
  const edit = useEdit();
  const goto = useGoto();
  const { slots, stage, attempts, ramps } = fit;
  const bySlot = new Map(slots.map((slot) => [slot.position, slot]));
  const shareOf = ({ after, expected }: FitSlot): number => after?.share ?? expected;
  const near = slots.filter((slot) => Math.abs(shareOf(slot) - slot.wanted) <= 0.05).length;
  const nearBefore = slots.filter(({ before, wanted }) => Math.abs((before ?? 2) - wanted) <= 0.05).length;
  const unmet = slots.filter((slot) => slot.unmet !== null);
  const take = (): void => {
    const edits = Object.entries(ramps).map(([key, ramp]): NamedEdit =>
      setRamp(project, key, ramp, 'turned to what is wanted'),
    );
    edit({ label: `Turn ${edits.length} ramps to what is wanted`, patch: edits.flatMap(({ patch }) => patch) });
  };
  const number = (share: number | undefined, strong: boolean) =>
    share === undefined ? null : (
      <span className={`absolute inset-x-0 top-1 text-center text-[12px] ${strong ? 'font-semibold' : 'text-ink-2'}`}>
        {Math.round(share * 100)}
      </span>
    );
  const row = (label: string, cell: (slot: FitSlot) => React.ReactNode) => (
    <SlotRow
      columns={columns}
      height={24}
      head={<span className="block pt-0.5 text-[12.5px]">{label}</span>}
      cell={(at) => {
        const slot = bySlot.get(at);
        return slot ? cell(slot) : null;
      }}
    />
  );
  return (
    <div className="mt-2" aria-busy={isRunning}>
      <p role="status" className="px-3.5 text-[12.5px]">
        {stage !== 'done' && !isRunning ? (
          'Stopped; what was played is kept.'
        ) : stage === 'looking' ? (
          'Every parameter is tried over its range, at every level…'
        ) : stage === 'trying' ? (
          'The turned values are tried, and values around them…'
        ) : stage === 'confirming' ? (
          'The turned ramps are tried…'
        ) : (
          <>
            <b>
              {near} of {slots.length}
            </b>{' '}
            levels within 5 points of what is wanted for {player}; before: {nearBefore}.
          </>
        )}{' '}
        <span className="text-ink-3">{formatNumber(attempts)} attempts</span>
      </p>
      <div role="table" aria-label="Before and after" className="mt-1">
        {row('Wanted, %', (slot) => number(slot.wanted, false))}
        {row('Before', (slot) => number(slot.before ?? undefined, false))}
        {row(stage === 'done' ? 'After' : 'Expected', (slot) => (
          <span
            className={slot.unmet ? 'text-loss' : ''}
            title={
              slot.after
                ? `${formatPercent(slot.after.interval.low)} to ${formatPercent(slot.after.interval.high)}`
                : undefined
            }
          >
            {number(stage !== 'looking' ? shareOf(slot) : undefined, true)}
            {slot.after ? (
              <span className="sr-only">
                {formatPercent(slot.after.interval.low)} to {formatPercent(slot.after.interval.high)}
              </span>
            ) : null}
          </span>
        ))}
      </div>
      {stage === 'done' ? (
        <div className="px-3.5 pt-1.5">
          {unmet.length > 0 ? (
            <ul className="text-[12.5px] text-ink-2">
              {(Object.keys(WHY) as Unmet[]).flatMap((why) => {
                const of = unmet.filter((slot) => slot.unmet === why);
                return of.length === 0
                  ? []
                  : [
                      <li key={why}>
                        Not met at{' '}
                        {of.map(({ position }, index) => (
                          <span key={position}>
                            {index > 0 ? ', ' : ''}
                            <button
                              type="button"
                              className="link"
                              onClick={() => goto({ slotId: project.slots[position - 1]?.id })}
                            >
                              {position}
                            </button>
                          </span>
                        ))}
                        : {WHY[why]}.
                      </li>,
                    ];
              })}
            </ul>
          ) : null}
          <div className="mt-1.5">
            <Button onClick={take}>Take it: {Object.keys(ramps).length} ramps in one edit</Button>
          </div>
        </div>
      ) : null}
    </div>
  );
}
