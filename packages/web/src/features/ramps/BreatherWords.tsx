import type { Parameter, Ramp } from '@stadion/core/document/model';
import { ChoiceChip, NumberChip, type NumberLimits } from '../../ui/index.ts';

const TAKES = [
  { value: 'times', label: 'times' },
  { value: 'earlier', label: 'the value of' },
];

/** Levels made easier on purpose, as words. */
export function BreatherWords({
  parameter,
  limits,
  onChange,
}: {
  parameter: Parameter;
  limits: NumberLimits;
  onChange: (ramp: Ramp, what: string) => void;
}) {
  const { ramp, label } = parameter;
  const { breather } = ramp;
  if (!breather) {
    return (
      <button
        type="button"
        className="link"
        onClick={() =>
          onChange(
            { ...ramp, breather: { every: 6, startingAt: 6, takes: { is: 'times', factor: 0.85 } } },
            'a breather',
          )
        }
      >
        + breather
      </button>
    );
  }
  const { takes } = breather;
  const set = (next: NonNullable<Ramp['breather']>, what: string): void => onChange({ ...ramp, breather: next }, what);
  const counted = { step: 1, max: 1000, whole: true };
  return (
    <span className="say inline-flex">
      <span className="join">; a breather every</span>
      <NumberChip
        {...counted}
        label={`${label} breather every`}
        min={2}
        value={breather.every}
        onCommit={(every) => set({ ...breather, every }, `a breather every ${every}`)}
        onClear={() => {
          const { breather: _gone, ...rest } = ramp;
          onChange(rest, 'no breather');
        }}
      />
      <span className="join">from level</span>
      <NumberChip
        {...counted}
        label={`${label} breather from level`}
        min={1}
        value={breather.startingAt}
        onCommit={(startingAt) => set({ ...breather, startingAt }, `breathers from level ${startingAt}`)}
      />
      <ChoiceChip
        label={`${label} breather takes`}
        value={takes.is}
        choices={TAKES}
        onChoose={(is) =>
          set(
            { ...breather, takes: is === 'times' ? { is: 'times', factor: 0.85 } : { is: 'earlier', levels: 3 } },
            'what a breather takes',
          )
        }
      />
      {takes.is === 'times' ? (
        <NumberChip
          {...limits}
          scale={1}
          unit=""
          step={0.05}
          label={`${label} breather factor`}
          value={takes.factor}
          onCommit={(factor) => set({ ...breather, takes: { is: 'times', factor } }, `a breather takes × ${factor}`)}
        />
      ) : (
        <>
          <NumberChip
            {...counted}
            label={`${label} breather levels earlier`}
            min={1}
            value={takes.levels}
            onCommit={(levels) =>
              set({ ...breather, takes: { is: 'earlier', levels } }, `a breather takes ${levels} earlier`)
            }
          />
          <span className="join">levels earlier</span>
        </>
      )}
    </span>
  );
}
